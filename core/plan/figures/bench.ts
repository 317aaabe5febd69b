import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { SEA_LEVEL_KPA } from '../../base/constants/index.ts'
import { figure, showTurns } from '../../measure/index.ts'
import { indexShift } from '../../physics/choke/index.ts'
import { blendDensity, CD_PUMP_NOZZLE } from '../../physics/metering/index.ts'
import { pistonVolume, shotSeconds } from '../../physics/pump/index.ts'
import { idleTrim } from '../../physics/range/index.ts'
import { screwFits } from '../jets/index.ts'
import { box4, circleOf, type FigureKind, type Shape, type Worked, type XY } from './kind.ts'

/** Shot volume and how long it lasts (`docs/physics.md` 9). */
export const pump: FigureKind = {
  name: 'pump',
  short: 'pump',
  title: 'Pump shot',
  fields: [
    { key: 'well', name: 'Well', unit: 'mm', blank: '12', lo: 2, hi: 60, isLength: true },
    { key: 'stroke', name: 'Stroke', unit: 'mm', blank: '9', lo: 0, hi: 60, isLength: true },
    { key: 'holes', name: 'Nozzle holes', unit: '', blank: '2', lo: 1, hi: 12 },
    { key: 'bore', name: 'Each', unit: 'mm', blank: '0.7', lo: 0.1, hi: 4, isLength: true },
    { key: 'kpa', name: 'Its spring gives', unit: 'kPa', blank: '18', lo: 0.5, hi: 300 },
  ],
  work({ well, stroke, holes, bore, kpa }): Result<Worked> {
    const volume = pistonVolume(well!, stroke!)
    if (isRefusal(volume)) return volume
    const seconds = shotSeconds(volume, CD_PUMP_NOZZLE, holes!, bore!, kpa!, blendDensity(0))
    if (isRefusal(seconds)) return seconds
    const smaller = shotSeconds(volume, CD_PUMP_NOZZLE, holes!, bore! * 0.9, kpa!, blendDensity(0))
    const [w, s] = [well!, stroke!]
    return {
      headline: `${figure(volume, 2)} mL a shot, in ${figure(seconds, 1)} s.`,
      rows: [
        ['Volume', `${figure(volume, 2)} mL`],
        ['Ten strokes', `${figure(volume * 10, 1)} mL`],
        ['It lasts', `${figure(seconds, 2)} s`],
        ['A nozzle 10 % smaller', isRefusal(smaller) ? '·' : `the same volume in ${figure(smaller, 2)} s`],
      ],
      shapes: [
        { is: 'area', as: 'hatch', points: box4(-w * 0.25, -s * 0.4, w * 0.25, s * 2.2) },
        { is: 'area', as: 'hatch', points: box4(w, -s * 0.4, w * 0.25, s * 2.2) },
        { is: 'area', as: 'hatch', points: box4(-w * 0.25, s * 1.8, w * 1.5, w * 0.2) },
        { is: 'area', as: 'fuel', points: box4(0, s * 0.8, w, s) },
        { is: 'area', as: 'paper', points: box4(0, s * 0.5, w, s * 0.3) },
        { is: 'line', as: 'ink', points: [...box4(0, s * 0.5, w, s * 0.3), [0, s * 0.5]] },
        {
          is: 'line',
          as: 'ink',
          points: [
            [w / 2, s * 0.5],
            [w / 2, -s * 0.7],
          ],
        },
        { is: 'size', as: 'blue', from: [w * 1.5, s * 0.8], to: [w * 1.5, s * 1.8], words: figure(s, 1) },
        {
          is: 'size',
          as: 'ink',
          from: [0, s * 1.8 + w * 0.4],
          to: [w, s * 1.8 + w * 0.4],
          words: figure(w, 1),
        },
      ],
      box: [-w * 0.6, -s, w * 2.6, s * 3 + w * 0.9],
      note: 'A smaller nozzle on a spring-driven pump only lengthens the shot.',
    }
  },
}

/** A bimetal coil's cover turned by notches (`docs/physics.md` 10). */
export const choke: FigureKind = {
  name: 'choke',
  short: 'choke coil',
  title: 'Choke cover by notches',
  fields: [
    { key: 'notch', name: 'A notch is', unit: '°', blank: '5', lo: 0.5, hi: 30 },
    { key: 'coil', name: 'The coil turns', unit: '° per °C', blank: '2.2', lo: 0.1, hi: 20 },
    { key: 'notches', name: 'Notches, rich +', unit: '', blank: '2', lo: -20, hi: 20 },
    { key: 'shut', name: 'Just shuts at now', unit: '°C', blank: '20', lo: -30, hi: 60 },
  ],
  work({ notch, coil, notches, shut }): Result<Worked> {
    const shift = indexShift(notch!, coil!, notches!)
    if (isRefusal(shift)) return shift
    const to = shut! + shift
    const turned = (notches! * notch! * Math.PI) / 180
    const spiral: XY[] = Array.from({ length: 120 }, (_, i) => {
      const a = (i / 120) * 6 * Math.PI + turned
      const r = 4 + i * 0.13
      return [r * Math.cos(a), r * Math.sin(a)]
    })
    const mark = (a: number, r: number): XY => [r * Math.sin(a), -r * Math.cos(a)]
    return {
      headline:
        notches === 0
          ? 'The cover stays where it is.'
          : `It just shuts at ${figure(to, 0)} °C instead of ${figure(shut!, 0)}: ${notches! > 0 ? 'richer, off later' : 'leaner, off sooner'}.`,
      rows: [
        ['Cover turns', `${figure(Math.abs(notches! * notch!), 0)}°`],
        ['It shuts at', `${figure(to, 1)} °C`],
        ['One notch', `${figure(notch! / coil!, 1)} °C`],
      ],
      shapes: [
        { is: 'circle', as: 'ink', at: [0, 0], r: 26 },
        { is: 'circle', as: 'thin', at: [0, 0], r: 22 },
        { is: 'line', as: 'ink', points: spiral },
        ...Array.from({ length: 21 }, (_, i): Shape => {
          const a = ((i - 10) * notch! * Math.PI) / 180
          return { is: 'line', as: 'thin', points: [mark(a, 26), mark(a, i === 10 ? 31 : 28.5)] }
        }),
        { is: 'line', as: 'blue', points: [mark(turned, 22), mark(turned, 34)] },
        { is: 'text', as: 'pencil', at: [0, -38], words: 'index', align: 'middle' },
      ],
      box: [-50, -44, 100, 80],
      note: 'Do not go more than two notches to hide another fault: a lean idle, a blocked heat tube.',
    }
  },
}

/** How fast air gets out of a known volume (`docs/physics.md` 12): V·Δp/(p·t). */
export const leak: FigureKind = {
  name: 'leak',
  short: 'leak rate',
  title: 'Leak by pressure',
  fields: [
    { key: 'volume', name: 'Air shut in', unit: 'mL', blank: '25', lo: 0.5, hi: 5000 },
    { key: 'from', name: 'Pressure at first', unit: 'kPa', blank: '20', lo: 0.1, hi: 400 },
    { key: 'to', name: 'Pressure after', unit: 'kPa', blank: '18.5', lo: 0, hi: 400 },
    { key: 'seconds', name: 'Seconds', unit: 's', blank: '30', lo: 1, hi: 3600 },
    { key: 'most', name: 'Allowed', unit: 'mL/min', blank: '2', lo: 0.01, hi: 500 },
  ],
  work({ volume, from, to, seconds, most }): Result<Worked> {
    if (to! > from!) return refuse('to', 'It rose: warm air or another source. Let it stand and try again.')
    const rate = ((volume! * (from! - to!)) / SEA_LEVEL_KPA / seconds!) * 60
    const middle = (from! + to!) / 2
    const half = to! > 0 ? (seconds! * Math.LN2) / Math.log(from! / to!) : 0
    const tall = 60
    const y = (kpa: number) => -(kpa / from!) * tall
    const curve = Array.from({ length: 31 }, (_, i): XY => {
      const t = i / 30
      return [t * 100, y(to! > 0 ? from! * (to! / from!) ** t : from! * (1 - t))]
    })
    return {
      headline: `${figure(rate, 2)} mL/min at ${figure(middle, 0)} kPa: ${rate <= most! ? 'holds' : 'leaks'}.`,
      rows: [
        ['Leak', `${figure(rate, 2)} mL/min of free air`],
        ['Allowed', `${figure(most!, 1)} mL/min`],
        ['Halves in', half > 0 && Number.isFinite(half) ? `${figure(half, 0)} s` : 'never, or at once'],
      ],
      shapes: [
        {
          is: 'line',
          as: 'thin',
          points: [
            [0, 0],
            [100, 0],
          ],
        },
        {
          is: 'line',
          as: 'thin',
          points: [
            [0, 0],
            [0, -tall * 1.1],
          ],
        },
        { is: 'line', as: 'blue', points: curve },
        { is: 'text', as: 'pencil', at: [2, -tall * 1.04], words: `${figure(from!, 1)} kPa` },
        { is: 'text', as: 'pencil', at: [98, y(to!) - 3], words: `${figure(to!, 1)} kPa`, align: 'end' },
        { is: 'text', as: 'pencil', at: [98, 6], words: `${figure(seconds!, 0)} s`, align: 'end' },
      ],
      box: [-8, -tall * 1.25, 116, tall * 1.5],
      note: 'One reading at each end: a whole trace at Prove is surer.',
    }
  },
}

/** Turns of a screw, and which way is leaner. */
export const turns: FigureKind = {
  name: 'turns',
  short: 'turns',
  title: 'Turns of a screw',
  fields: [
    { key: 'now', name: 'Out from seated', unit: 'turns', blank: '1.5', lo: 0, hi: 20 },
    { key: 'ratio', name: 'Idle is richer by', unit: '%', blank: '7', lo: -60, hi: 100 },
    { key: 'pitch', name: 'Its thread', unit: 'mm a turn', blank: '0.8', lo: 0.2, hi: 3 },
    {
      key: 'kind',
      name: 'Past its tip flows',
      unit: '',
      blank: 'fuel',
      lo: 0,
      hi: 0,
      choices: ['fuel', 'air'],
    },
  ],
  work({ now, ratio, pitch }, { kind }): Result<Worked> {
    const to = now === 0 ? 0 : idleTrim(1 + ratio! / 100, kind === 'air' ? 'air' : 'fuel', now!)
    if (isRefusal(to)) return to
    const eighths = Math.round(to * 8)
    const stays = screwFits(to)
    const clock = (t: number, r: number): XY => [
      r * Math.sin(t * 2 * Math.PI),
      -r * Math.cos(t * 2 * Math.PI),
    ]
    return {
      headline: stays
        ? `To ${showTurns(eighths)} turns out: ${to > now! ? 'out' : 'in'} ${showTurns(Math.abs(eighths - Math.round(now! * 8)))}.`
        : `It would want ${showTurns(Math.max(0, eighths))} turns: another idle jet first.`,
      rows: [
        ['It ends at', `${showTurns(Math.max(0, eighths))} turns`],
        ['It moves', `${figure(Math.abs(to - now!) * pitch!, 2)} mm`],
        ['Leaner is', kind === 'air' ? 'out' : 'in'],
      ],
      shapes: [
        { is: 'circle', as: 'ink', at: [0, 0], r: 24 },
        { is: 'line', as: 'ink', points: [clock(now! % 1, 20), clock((now! + 0.5) % 1, 20)] },
        { is: 'line', as: 'blue', points: [clock(to % 1, 20), clock((to + 0.5) % 1, 20)] },
        ...Array.from({ length: 8 }, (_, i): Shape => ({
          is: 'line',
          as: 'thin',
          points: [clock(i / 8, 26), clock(i / 8, 30)],
        })),
        {
          is: 'line',
          as: 'dash',
          points: circleOf(
            [0, 0],
            33,
            -Math.PI / 2,
            -Math.PI / 2 + Math.max(-2, Math.min(2, to - now!)) * 2 * Math.PI,
          ),
        },
        {
          is: 'text',
          as: 'pencil',
          at: [0, 44],
          words: `${showTurns(Math.round(now! * 8))} now, ${showTurns(Math.max(0, eighths))} wanted`,
          align: 'middle',
        },
      ],
      box: [-48, -42, 96, 94],
      note: 'Never screwed hard into its seat: the tip takes a ring. By half a turn at most, then listen.',
    }
  },
}
