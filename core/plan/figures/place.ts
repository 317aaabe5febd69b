import { SEA_LEVEL_KPA } from '../../base/constants/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { figure } from '../../measure/index.ts'
import { airPressure } from '../../physics/air/index.ts'
import { convertFuel, powerOpens } from '../../physics/range/index.ts'
import { box4, type FigureKind, type Shape, type Worked } from './kind.ts'

/** Ethanol's share by a water-shake cylinder, and what it asks of jets (`docs/physics.md` 26). */
export const fuel: FigureKind = {
  name: 'fuel',
  short: 'jets by fuel',
  title: 'Ethanol in the fuel',
  fields: [
    { key: 'gas', name: 'Fuel in the cylinder', unit: 'mL', blank: '90', lo: 1, hi: 5000 },
    { key: 'water', name: 'Water put to it', unit: 'mL', blank: '10', lo: 0.1, hi: 5000 },
    { key: 'after', name: 'Lower layer after', unit: 'mL', blank: '19', lo: 0.1, hi: 9000 },
    { key: 'main', name: 'Main jet for gasoline', unit: 'mm', blank: '1.30', lo: 0.2, hi: 6, isLength: true },
    { key: 'idle', name: 'Idle jet for gasoline', unit: 'mm', blank: '0.45', lo: 0.1, hi: 3, isLength: true },
  ],
  work({ gas, water, after, main, idle }): Result<Worked> {
    const share = (after! - water!) / gas!
    if (share < -0.005)
      return refuse(
        'after',
        'The lower layer is smaller than the water that went in: shake it again and let it settle.',
      )
    if (share > 1)
      return refuse('after', 'The lower layer is more than water and fuel together. Read the cylinder again.')
    const ethanol = Math.max(0, share)
    const said = convertFuel({ ethanol, main: main!, idle: idle!, rule: 1.3 })
    if (isRefusal(said)) return said
    const total = gas! + water!
    const tall = 100
    const lower = (after! / total) * tall
    return {
      headline: `${figure(ethanol * 100, 0)} % ethanol: ${ethanol < 0.12 ? 'about one size of the jets' : ethanol < 0.2 ? 'larger jets' : 'another fuel: jets, seat and pump'}.`,
      rows: [
        ['Ethanol', `${figure(ethanol * 100, 0)} %`],
        ['Fuel must rise by', `${figure((said.areaFactor - 1) * 100, 0)} %`],
        ['Main jet', `${figure(said.mainBore!, 2)} mm`],
        ['Idle jet', `${figure(said.idleBore!, 2)} mm`],
        [
          '“30 % more” fits',
          said.impliedEthanol == null ? 'no blend' : `${figure(said.impliedEthanol * 100, 0)} % ethanol`,
        ],
      ],
      shapes: [
        { is: 'area', as: 'tint', points: box4(0, 0, 26, tall - lower) },
        { is: 'area', as: 'fuel', points: box4(0, tall - lower, 26, lower) },
        {
          is: 'line',
          as: 'ink',
          points: [
            [0, -12],
            [0, tall],
            [26, tall],
            [26, -12],
          ],
        },
        {
          is: 'line',
          as: 'blue',
          points: [
            [0, tall - lower],
            [26, tall - lower],
          ],
        },
        {
          is: 'line',
          as: 'dash',
          points: [
            [0, tall - (water! / total) * tall],
            [26, tall - (water! / total) * tall],
          ],
        },
        { is: 'text', as: 'blue', at: [30, tall - lower], words: `${figure(after!, 0)} mL after` },
        {
          is: 'text',
          as: 'pencil',
          at: [30, tall - (water! / total) * tall + 4],
          words: `${figure(water!, 0)} mL water`,
        },
        ...Array.from({ length: 10 }, (_, i): Shape => ({
          is: 'line',
          as: 'thin',
          points: [
            [0, (i * tall) / 10],
            [i % 5 === 0 ? 9 : 5, (i * tall) / 10],
          ],
        })),
      ],
      box: [-20, -18, 100, 126],
      note: 'Shake, let it settle, read at eye level. No flame; into the waste can afterwards.',
    }
  },
}

/** The air of a place, and what it does to every vacuum there (`docs/physics.md` 11, 22). */
export const altitude: FigureKind = {
  name: 'altitude',
  short: 'altitude',
  title: 'Air and vacuum at altitude',
  fields: [
    { key: 'at', name: 'Altitude', unit: 'm', blank: '1600', lo: -500, hi: 6000 },
    { key: 'idle', name: 'Idle vacuum at the sea', unit: 'kPa', blank: '48', lo: 0, hi: 95 },
    { key: 'cruise', name: 'Cruise vacuum there', unit: 'kPa', blank: '40', lo: 0, hi: 95 },
    { key: 'opens', name: 'Power opens at', unit: 'kPa', blank: '22', lo: 0.5, hi: 90 },
  ],
  work({ at, idle, cruise, opens }): Result<Worked> {
    const here = airPressure(at!)
    if (isRefusal(here)) return here
    const fall = SEA_LEVEL_KPA - here
    const said = powerOpens({
      opensAt: opens!,
      idleVacuum: idle!,
      cruiseVacuum: cruise!,
      altitude: at!,
      measuredAltitude: 0,
    })
    if (isRefusal(said)) return said
    const bar = (x: number, kpa: number, words: string, as: 'tint' | 'blue'): Shape[] => [
      { is: 'area', as, points: box4(x, -Math.max(0, kpa), 16, Math.max(0, kpa)) },
      {
        is: 'line',
        as: 'ink',
        points: [...box4(x, -Math.max(0, kpa), 16, Math.max(0, kpa)), [x, -Math.max(0, kpa)]],
      },
      { is: 'text', as: 'ink', at: [x + 8, -Math.max(0, kpa) - 2], words: figure(kpa, 0), align: 'middle' },
      { is: 'text', as: 'pencil', at: [x + 8, 7], words, align: 'middle' },
    ]
    return {
      headline: said.suits
        ? `Power still opens below cruise there: ${figure(said.cruiseMargin!, 0)} kPa to spare.`
        : `Power stands open at ${said.cruiseMargin! <= 0 ? 'cruise' : 'idle'} there: it must open at less than ${figure(Math.min(idle! - fall - 7, cruise! - fall), 0)} kPa.`,
      rows: [
        ['Air', `${figure(here, 1)} kPa, ${figure(fall, 1)} less`],
        ['Idle vacuum', `${figure(idle! - fall, 1)} kPa`],
        ['Cruise vacuum', `${figure(cruise! - fall, 1)} kPa`],
        ['Opens at', `${figure(opens!, 1)} kPa`],
      ],
      shapes: [
        ...bar(0, idle!, 'idle, sea', 'tint'),
        ...bar(22, idle! - fall, 'idle, there', 'blue'),
        ...bar(54, cruise!, 'cruise, sea', 'tint'),
        ...bar(76, cruise! - fall, 'cruise, there', 'blue'),
        {
          is: 'line',
          as: 'ink',
          points: [
            [-6, 0],
            [98, 0],
          ],
        },
        {
          is: 'line',
          as: 'red',
          points: [
            [-6, -opens!],
            [98, -opens!],
          ],
        },
        { is: 'text', as: 'red', at: [99, -opens! - 1.5], words: 'opens', align: 'end' },
      ],
      box: [-10, -Math.max(idle!, cruise!, opens!) - 10, 112, Math.max(idle!, cruise!, opens!) + 24],
      note: 'At the same load the manifold keeps its pressure: every vacuum falls by as much as the air.',
    }
  },
}
