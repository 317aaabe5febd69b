import { isRefusal, type Result } from '../../base/refusal/index.ts'
import { figure } from '../../measure/index.ts'
import {
  floatBalance,
  inflow,
  seatWasher,
  stockWasher,
  tangBend,
  type Lever,
} from '../../physics/float/index.ts'
import { blendDensity, CD_NEEDLE_AND_SEAT } from '../../physics/metering/index.ts'
import { box4, type Field, type FigureKind, type Near, type Shape, type Worked, type XY } from './kind.ts'

const arm: Field = { key: 'arm', name: 'Pin to toe', unit: 'mm', blank: '46', lo: 5, hi: 150, isLength: true }
const tang: Field = {
  key: 'tang',
  name: 'Pin to needle',
  unit: 'mm',
  blank: '6',
  lo: 0.5,
  hi: 40,
  isLength: true,
}
const sense: Field = {
  key: 'more',
  name: 'A larger height means',
  unit: '',
  blank: 'less fuel',
  lo: 0,
  hi: 0,
  choices: ['less fuel', 'more fuel'],
}
const height: Field = {
  key: 'height',
  name: 'Height now',
  unit: 'mm',
  blank: '13.4',
  lo: 0,
  hi: 80,
  isLength: true,
}
const target: Field = {
  key: 'target',
  name: 'Height wanted',
  unit: 'mm',
  blank: '12.5',
  lo: 0,
  hi: 80,
  isLength: true,
}

const leverOf = (arm: number, tang: number, more: string | undefined): Lever => ({
  measureArm: arm,
  measureAngle: 0,
  tangArm: tang,
  sense: more === 'more fuel' ? -1 : 1,
})

/** A float on its pin as it is held, its needle and the two heights. */
function floatDrawn(arm: number, tang: number, now: number, wanted: number): Shape[] {
  const pin: XY = [0, 0]
  const deep = Math.max(1, Math.min(arm * 0.34, 0.8 * Math.min(now, wanted)))
  const face = arm * 0.02
  const body = (h: number): XY[] => [
    [arm * 0.42, -h + face],
    [arm, -h + face],
    [arm, -h + deep],
    [arm * 0.42, -h + deep],
  ]
  return [
    { is: 'area', as: 'hatch', points: box4(-arm * 0.4, face, arm * 1.6, arm * 0.22) },
    { is: 'line', as: 'dash', points: [...body(wanted), body(wanted)[0]!] },
    { is: 'area', as: 'paper', points: body(now) },
    { is: 'line', as: 'ink', points: [...body(now), body(now)[0]!] },
    { is: 'line', as: 'ink', points: [pin, [arm * 0.42, -now + deep * 0.5]] },
    { is: 'line', as: 'blue', points: [pin, [-tang, arm * 0.03]] },
    { is: 'circle', as: 'ink', at: pin, r: arm * 0.035 },
    { is: 'size', as: 'ink', from: [arm * 1.12, face], to: [arm * 1.12, -now + face], words: figure(now, 1) },
    {
      is: 'size',
      as: 'blue',
      from: [arm * 1.34, face],
      to: [arm * 1.34, -wanted + face],
      words: figure(wanted, 1),
    },
    { is: 'text', as: 'pencil', at: [-arm * 0.36, arm * 0.16], words: 'face, gasket off' },
  ]
}

const floatBox = (arm: number, ...heights: number[]): Worked['box'] => {
  const top = Math.max(...heights) + arm * 0.16
  return [-arm * 0.5, -top, arm * 2.2, top + arm * 0.3]
}

/** How far and which way the tang is bent (`docs/physics.md` 3). */
export const bend: FigureKind = {
  name: 'bend',
  short: 'bend',
  title: 'Bend at the tang',
  fields: [height, target, arm, tang, sense],
  work({ height: now, target: wanted, arm: r, tang: t }, { more }): Result<Worked> {
    const said = tangBend(now!, wanted!, leverOf(r!, t!, more))
    if (isRefusal(said)) return said
    const ratio = r! / t!
    return {
      headline:
        said.toward === 'none'
          ? 'It stands as wanted.'
          : `Bend the tang ${figure(said.bend, 2)} mm ${said.toward === 'needle' ? 'toward' : 'away from'} the needle.`,
      rows: [
        ['Bend', `${figure(said.bend, 2)} mm`],
        ['Float turns', `${figure((Math.abs(said.rotation) * 180) / Math.PI, 1)}°`],
        ['0.1 mm at the tang', `${figure(ratio / 10, 2)} mm of height`],
      ],
      shapes: floatDrawn(r!, t!, now!, wanted!),
      box: floatBox(r!, now!, wanted!),
      note: 'Hold the arm, not the needle: pressed into its seat the tip takes a ring.',
    }
  },
}

const STOCK = [0.5, 0.8, 1, 1.2, 1.5, 1.6, 2]

/** Where nothing is bent: the washer under the seat (`docs/physics.md` 4). */
export const washer: FigureKind = {
  name: 'washer',
  short: 'washer',
  title: 'Washer under the seat',
  fields: [
    height,
    target,
    arm,
    tang,
    { key: 'give', name: 'Allowed, height', unit: 'mm', blank: '0.5', lo: 0, hi: 5 },
    { key: 'now', name: 'Washer now', unit: 'mm', blank: '1', lo: 0, hi: 6, isLength: true },
    {
      key: 'from',
      name: 'Seat screwed in',
      unit: '',
      blank: 'from the bowl',
      lo: 0,
      hi: 0,
      choices: ['from the bowl', 'from outside'],
    },
    sense,
  ],
  work({ height: now, target: wanted, arm: r, tang: t, now: is, give }, { more, from }): Result<Worked> {
    const lever = leverOf(r!, t!, more)
    const said = seatWasher(now!, wanted!, lever, from === 'from outside' ? 'outside' : 'bowl')
    if (isRefusal(said)) return said
    const want = is! + said.change
    const best = stockWasher(want, STOCK)
    const near = STOCK.map((size): Near => ({
      name: figure(size, 1),
      words: `${size > want ? '+' : ''}${figure(((size - want) * r!) / t!, 1)} mm`,
      fits: Math.abs(((size - want) * r!) / t!) <= give!,
      isOn: size === best?.mm,
    }))
    return {
      headline:
        want <= 0
          ? 'Thinner than none: something else is wrong. Look at float, pin and seat.'
          : `A washer of ${figure(want, 2)} mm: ${Math.abs(said.change) < 0.005 ? 'as it is' : `${figure(Math.abs(said.change), 2)} ${said.change > 0 ? 'thicker' : 'thinner'}`}.`,
      rows: [
        ['Washer wanted', `${figure(want, 2)} mm`],
        ['0.1 mm of washer', `${figure(r! / t! / 10, 2)} mm of height`],
      ],
      shapes: floatDrawn(r!, t!, now!, wanted!),
      box: floatBox(r!, now!, wanted!),
      near,
      nearWords: 'washers, and by how much each leaves the height off',
      note: 'Measure the new washer: one that is crushed is thinner than its name.',
    }
  },
}

const bodyFields: Field[] = [
  { key: 'mass', name: 'Float weighs', unit: 'g', blank: '9', lo: 0.5, hi: 200 },
  { key: 'area', name: 'Its area from above', unit: 'mm²', blank: '1150', lo: 50, hi: 20000 },
  { key: 'deep', name: 'It is deep', unit: 'mm', blank: '20', lo: 2, hi: 80, isLength: true },
  { key: 'out', name: 'Pin to its middle', unit: 'mm', blank: '28', lo: 2, hi: 150, isLength: true },
  tang,
  { key: 'seat', name: 'Seat', unit: 'mm', blank: '2.4', lo: 0.4, hi: 10, isLength: true },
  { key: 'kpa', name: 'Fuel pressure', unit: 'kPa', blank: '24', lo: 0, hi: 400 },
  { key: 'ethanol', name: 'Ethanol', unit: '%', blank: '0', lo: 0, hi: 100 },
]

/** How deep a float lies when it just shuts its needle against the pressure (`docs/physics.md` 5). */
export const level: FigureKind = {
  name: 'level',
  short: 'float level',
  title: 'Float level in use',
  fields: bodyFields,
  work({ mass, area, deep, out, tang: t, seat, kpa, ethanol }): Result<Worked> {
    const body = {
      floatMass: mass!,
      planArea: area!,
      depth: deep!,
      buoyancyArm: out!,
      gravityArm: out!,
      needleMass: 1,
      needleAt: 'side' as const,
      tangArm: t!,
      seatBore: seat!,
    }
    const density = blendDensity(ethanol! / 100)
    const at = floatBalance(body, kpa!, density)
    if (isRefusal(at)) return at
    const more = floatBalance(body, kpa! + 10, density)
    const w = Math.sqrt(area!)
    const sunk = Math.min(at.immersion, deep! * 1.3)
    return {
      headline: at.holds
        ? `It lies ${figure(at.immersion, 1)} mm deep and holds up to ${figure(at.maxPressure, 0)} kPa.`
        : `It cannot shut against ${figure(kpa!, 0)} kPa: ${figure(at.maxPressure, 0)} at most.`,
      rows: [
        ['Immersed', `${figure(at.immersion, 1)} of ${figure(deep!, 1)} mm`],
        ['Most pressure', `${figure(at.maxPressure, 0)} kPa`],
        ['10 kPa more', isRefusal(more) ? '·' : `fuel ${figure(more.immersion - at.immersion, 1)} mm higher`],
      ],
      shapes: [
        { is: 'area', as: 'fuel', points: box4(-w * 0.9, 0, w * 2.4, deep! * 1.5) },
        { is: 'area', as: 'paper', points: box4(0, sunk - deep!, w, deep!) },
        { is: 'line', as: 'ink', points: [...box4(0, sunk - deep!, w, deep!), [0, sunk - deep!]] },
        {
          is: 'line',
          as: 'blue',
          points: [
            [-w * 0.9, 0],
            [w * 1.5, 0],
          ],
        },
        {
          is: 'line',
          as: 'ink',
          points: [
            [-out! + w / 2, sunk - deep! * 1.1],
            [0, sunk - deep! * 0.6],
          ],
        },
        { is: 'circle', as: 'ink', at: [-out! + w / 2, sunk - deep! * 1.1], r: w * 0.04 },
        { is: 'size', as: 'blue', from: [w * 1.16, 0], to: [w * 1.16, sunk], words: figure(at.immersion, 1) },
      ],
      box: [-w * 1.1, -deep! * 1.5, w * 3, deep! * 3.1],
      note: at.holds ? '' : 'It floods: a smaller seat, less pressure, a lighter float, or a regulator.',
    }
  },
}

/** What comes in at full drop against what the engine takes (`docs/physics.md` 7). */
export const drop: FigureKind = {
  name: 'drop',
  short: 'drop, inflow',
  title: 'Float drop and inflow',
  fields: [
    { ...height, blank: '12.5' },
    { key: 'drop', name: 'Drop', unit: 'mm', blank: '22', lo: 0, hi: 90, isLength: true },
    arm,
    tang,
    { key: 'seat', name: 'Seat', unit: 'mm', blank: '2.4', lo: 0.4, hi: 10, isLength: true },
    { key: 'kpa', name: 'Fuel pressure', unit: 'kPa', blank: '24', lo: 0, hi: 400 },
    { key: 'kw', name: 'Engine gives', unit: 'kW', blank: '40', lo: 0.5, hi: 500 },
    { key: 'ethanol', name: 'Ethanol', unit: '%', blank: '0', lo: 0, hi: 100 },
  ],
  work({ height: now, drop: down, arm: r, tang: t, seat, kpa, kw, ethanol }): Result<Worked> {
    const said = inflow({
      ...leverOf(r!, t!, 'less fuel'),
      heightReading: now!,
      dropReading: down!,
      seatBore: seat!,
      coneHalfAngle: Math.PI / 6,
      pressure: kpa!,
      density: blendDensity(ethanol! / 100),
      cd: CD_NEEDLE_AND_SEAT,
      powerKw: kw!,
      bsfc: 300,
      ethanol: ethanol! / 100,
      buoyancyArm: r! * 0.7,
      tangAngle: 0,
    })
    if (isRefusal(said)) return said
    const enough = said.margin >= 1.3
    return {
      headline: enough
        ? `Enough: ${figure(said.margin, 1)} times what the engine takes.`
        : `Too little: ${figure(said.margin, 2)} times what the engine takes, 1.3 is wanted.`,
      rows: [
        ['Comes in', `${figure(said.inflow, 0)} mL/min`],
        ['Engine takes', `${figure(said.demand, 0)} mL/min`],
        ['Needle lifts', `${figure(said.lift, 2)} mm`],
        ['Level droops', said.droop === null ? 'runs dry' : `${figure(said.droop, 1)} mm at full load`],
      ],
      shapes: floatDrawn(r!, t!, now!, down!),
      box: floatBox(r!, now!, down!),
      note: 'Assumed: a cone of 60°, 300 g/kWh.',
    }
  },
}
