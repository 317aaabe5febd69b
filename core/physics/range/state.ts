import { refuse, type Refusal, type Result } from '../../base/refusal/index.ts'

/** How a unit meters its air: by a plate, by a slide that the hand lifts, by a slide under a diaphragm behind a plate. */
export const rangeFamilies = ['plate', 'slide', 'cv'] as const
export type RangeFamily = (typeof rangeFamilies)[number]

/** The engine that one bore of the unit breathes for. Lengths mm. */
export interface Engine {
  /** cm³ per bore */
  displacement: number
  /** one for all openings, or one per opening */
  rpm: number | readonly number[]
  /** how much of its volume an intake stroke fills, at outside temperature */
  efficiency?: number
  bore: number
  /** the plate's angle when shut, degrees */
  closedAngle?: number
  shaft?: number
  venturi?: number
  /** air that passes at the stop, mm² */
  idleArea: number
}

/** What a unit is built with and works in. Bores mm, shares 0 to 1. What `now` leaves out is as in `ref`. */
export interface Metering {
  /** m */
  altitude?: number
  temperatureC?: number
  /** by volume */
  ethanol?: number
  main?: number
  mainBleed?: number
  nozzle?: number
  /** a rod in the main jet */
  rod?: number
  /** a jet that joins the main from `powerFrom` on */
  power?: number
  powerFrom?: number
  needleJet?: number
  /** [lift mm, diameter mm] rising, as the sheet's clip has it */
  needle?: readonly (readonly [number, number])[]
  /** how far the needle was raised, mm; below 0 lowered */
  raise?: number
  /** of a slide: it lifts by its share of this */
  bore?: number
  idle?: number
  idleBleed?: number
  /** the mixture screw's opening, mm² */
  idleOutlet?: number
  /** how far the nozzle's lip stands over the level, mm */
  lip?: number
  slot?: { width: number; length: number; atIdle: number }
  /** what the air box draws at full, kPa */
  box?: number
  /** pressure over outside's in front of it, kPa, the bowl following; the temperature is then that of the air that comes in */
  boost?: number
  engine?: Engine
}

/** A unit beside its sheet, over the openings that are asked for. */
export interface RangeProblem {
  family: RangeFamily
  ref: Metering
  now: Metering
  /** shares of the throttle's travel */
  openings?: readonly number[]
  /** the idle circuit's share of the fuel, one per opening */
  shares?: readonly number[]
  /** at the main jet, kPa, one per opening */
  depression?: readonly number[]
  /** of the slide, mm, one per opening */
  lifts?: readonly number[]
  vent?: 'inside' | 'outside'
  /** the main circuit's signal at full, kPa */
  fullSignal?: number
  /** by how much the main jet's exponent was found off in runs, with its σ */
  mainOff?: { by: number; sigma: number }
}

/** The same with everything filled in. */
export type Filled = Metering &
  Required<
    Pick<Metering, 'altitude' | 'temperatureC' | 'ethanol' | 'raise' | 'lip' | 'box' | 'boost' | 'powerFrom'>
  >

const DEFAULTS = {
  altitude: 0,
  temperatureC: 15,
  ethanol: 0,
  raise: 0,
  lip: 8,
  box: 0,
  boost: 0,
  powerFrom: 0.5,
} as const

/** Parts that a sheet has or has not: `now` cannot name one that `ref` lacks. */
const PARTS = [
  'main',
  'mainBleed',
  'nozzle',
  'rod',
  'power',
  'needleJet',
  'needle',
  'bore',
  'idle',
  'idleBleed',
  'idleOutlet',
  'slot',
  'engine',
] as const satisfies readonly (keyof Metering)[]
const SIZES = PARTS.filter((key) => key !== 'needle' && key !== 'slot' && key !== 'engine')

const words: Partial<Record<keyof Metering, string>> = {
  main: 'main jet',
  mainBleed: 'main air bleed',
  power: 'power jet',
  needleJet: 'needle jet',
  idle: 'idle jet',
  idleBleed: 'idle air bleed',
  idleOutlet: 'mixture screw’s opening',
  slot: 'transfer slot',
}
const named = (key: keyof Metering): string => words[key] ?? key

export const isNumber = (value: unknown): value is number =>
  typeof value === 'number' && Number.isFinite(value)

const isShare = (value: unknown): value is number => isNumber(value) && value >= 0 && value <= 1

/** A needle as it was measured: rising lifts, each with a diameter. */
export function needleFault(needle: unknown): Refusal | undefined {
  const fits =
    Array.isArray(needle) &&
    needle.length > 1 &&
    needle.every(
      (one: unknown, i) =>
        Array.isArray(one) &&
        isNumber(one[0]) &&
        isNumber(one[1]) &&
        one[1] > 0 &&
        (i === 0 || one[0] > (needle[i - 1] as number[])[0]!),
    )
  return fits
    ? undefined
    : refuse('needle', 'A needle is a list of lifts that rise, each with its diameter in mm.')
}

const NEEDED: readonly (keyof Engine)[] = ['displacement', 'bore', 'idleArea']

/** An engine that can be reckoned with: its sizes, and as many speeds as openings where they are a list. */
export function engineFault(engine: Engine, openings: number): Refusal | undefined {
  if (typeof engine !== 'object' || engine === null)
    return refuse('engine', 'The engine has displacement, rpm, bore and idleArea.')
  for (const key of NEEDED)
    if (!isNumber(engine[key]) || (key === 'idleArea' ? engine[key] < 0 : engine[key] <= 0))
      return refuse(key, `The engine’s ${key} must be more than 0.`)
  const speeds = typeof engine.rpm === 'number' ? [engine.rpm] : engine.rpm
  if (!Array.isArray(speeds) || !speeds.every((one) => isNumber(one) && one > 0))
    return refuse('rpm', 'The speed must be more than 0, one for all openings or one for each.')
  if (typeof engine.rpm !== 'number' && speeds.length !== openings)
    return refuse('rpm', 'One speed for each opening.')
  const { efficiency = 0.8, closedAngle = 8, shaft = 8, venturi } = engine
  if (!isNumber(efficiency) || efficiency <= 0)
    return refuse('efficiency', 'The efficiency must be more than 0.')
  if (!isNumber(closedAngle) || closedAngle < 0 || closedAngle >= 90)
    return refuse('closedAngle', 'The plate is shut at 0 to 90 degrees.')
  if (!isNumber(shaft) || shaft < 0 || shaft >= (engine.bore * Math.PI) / 4)
    return refuse('shaft', 'The throttle shaft must leave some of the bore.')
  if (venturi !== undefined && (!isNumber(venturi) || venturi <= 0))
    return refuse('venturi', 'The venturi must be more than 0 mm.')
  return undefined
}

/** A metering by itself: sizes above 0, conditions that there are. */
function meteringFault(one: Filled, problem: RangeProblem, openings: readonly number[]): Refusal | undefined {
  for (const key of SIZES) {
    const size = one[key]
    if (size !== undefined && (!isNumber(size) || size <= 0))
      return refuse(key, `The ${named(key)} must be more than 0.`)
  }
  if (!isNumber(one.altitude) || one.altitude < -500 || one.altitude > 11_000)
    return refuse('altitude', 'The standard air is known from −500 to 11,000 m.')
  if (!isNumber(one.temperatureC) || one.temperatureC <= -100 || one.temperatureC > 200)
    return refuse('temperatureC', 'The temperature must be that of outside air, in °C.')
  if (!isShare(one.ethanol)) return refuse('ethanol', 'The share of ethanol is 0 to 1.')
  if (!isShare(one.powerFrom)) return refuse('powerFrom', 'The power jet joins at an opening of 0 to 1.')
  if (!isNumber(one.lip) || one.lip < 0) return refuse('lip', 'The lip stands 0 mm or more over the level.')
  if (!isNumber(one.box)) return refuse('box', 'What the air box draws must be a number, kPa.')
  if (!isNumber(one.boost) || one.boost < 0 || one.boost > 300)
    return refuse('boost', 'Boost is 0 to 300 kPa over outside.')
  if (!isNumber(one.raise)) return refuse('raise', 'How far the needle was raised must be a number, mm.')
  if (one.raise !== 0 && !one.needle)
    return refuse('needle', 'To raise the needle, its diameters must be known.')
  if (one.main === undefined) return refuse('main', 'The main jet must be known.')
  if (one.rod !== undefined && one.rod >= one.main)
    return refuse('rod', 'The rod fills its main jet: nothing flows round it.')
  if (one.needle) {
    const fault = needleFault(one.needle)
    if (fault) return fault
    if (one.needleJet === undefined) return refuse('needleJet', 'A needle needs its needle jet’s bore.')
    if (!problem.lifts && !(problem.family === 'slide' && one.bore !== undefined))
      return refuse('lifts', 'A needle needs the slide’s lift at each opening, or a slide’s bore.')
  }
  if (one.slot) {
    const { width, length, atIdle } = one.slot
    if (![width, length].every((size) => isNumber(size) && size > 0) || !isNumber(atIdle) || atIdle < 0)
      return refuse('slot', 'The transfer slot has width, length and how much of it shows at idle, mm.')
    if (problem.family !== 'slide' && !one.engine)
      return refuse('engine', 'A slot over a plate needs the engine’s bore and closed angle.')
  }
  return one.engine && engineFault(one.engine, openings.length)
}

const LISTS = ['shares', 'depression', 'lifts'] as const

/** The unit filled in, or what cannot be reckoned with, by its field. */
export function filled(
  problem: RangeProblem,
  openings: readonly number[],
): Result<{ ref: Filled; now: Filled }> {
  if (!rangeFamilies.includes(problem.family)) return refuse('family', 'The family is plate, slide or cv.')
  if (!Array.isArray(openings) || openings.length === 0 || !openings.every(isShare))
    return refuse('openings', 'Openings are shares of the travel, 0 to 1.')
  for (const key of LISTS) {
    const list = problem[key]
    if (list === undefined) continue
    if (!Array.isArray(list) || list.length !== openings.length || !list.every(isNumber))
      return refuse(key, `There must be one ${key === 'shares' ? 'share' : key} for each opening.`)
  }
  if (problem.shares && !problem.shares.every(isShare)) return refuse('shares', 'Shares are 0 to 1.')
  if (problem.vent !== undefined && problem.vent !== 'inside' && problem.vent !== 'outside')
    return refuse('vent', 'The bowl is vented inside the air box or outside.')
  if (problem.fullSignal !== undefined && (!isNumber(problem.fullSignal) || problem.fullSignal <= 0))
    return refuse('fullSignal', 'The signal at full must be more than 0 kPa.')
  const given = problem.now
  for (const key of PARTS)
    if (given[key] !== undefined && problem.ref[key] === undefined)
      return refuse(key, `The sheet has no ${named(key)}: what it would change is not known.`)
  const ref: Filled = { ...DEFAULTS, ...problem.ref }
  const now: Filled = {
    ...ref,
    ...given,
    ...(ref.engine && given.engine ? { engine: { ...ref.engine, ...given.engine } } : {}),
    ...(ref.slot && given.slot ? { slot: { ...ref.slot, ...given.slot } } : {}),
  }
  return meteringFault(ref, problem, openings) ?? meteringFault(now, problem, openings) ?? { ref, now }
}
