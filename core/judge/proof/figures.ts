import { GRAVITY, SEA_LEVEL_KPA } from '../../base/constants/index.ts'
import { workingConditions, type Conditions } from '../../sheets/conditions/index.ts'
import {
  floatBalance,
  floatBody,
  headPressure,
  levelInUse,
  readingForLevel,
} from '../../physics/float/index.ts'
import { plainNumber } from '../../measure/index.ts'
import { blendDensity } from '../../physics/metering/index.ts'
import { pistonVolume, pumpStroke } from '../../physics/pump/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { limitsOf } from './limits.ts'
import { linkageOf } from '../settings/pump-stem.ts'
import type { FloatGeometry, SpecSheet } from '../../sheets/index.ts'

/** What a vacuum may lose is told for so long, s. */
export const HOLD_SECONDS = 30
/** Hose, gauge and inlet together, mL, until somebody measures his own. */
export const SHUT_IN_ML = 9
/** Fluid of a wet bench: test fluid, kg/m³. */
export const TEST_FLUID = 760

/**
 * The pressure that the inlet is pumped to, kPa: a quarter more than it will be fed with, never less than 10 nor than the sheet's
 * most, rounded up to 5; its own where the sheet has one.
 */
export function inletTestKpa(spec: SpecSheet, conditions: Conditions): number {
  const own = limitsOf(spec).inletKpa
  if (own !== null) return own
  const most = spec.taught ? 0 : spec.supply.mostKpa
  return 5 * Math.ceil(Math.max(1.25 * conditions.pressureKpa, most, 10) / 5)
}

/** The weight on the needle that lets it lift a fifth above a pressure, g, rounded up to 5: P·A over g, less the needle's own. */
export function needleWeight(float: Pick<FloatGeometry, 'seatBore' | 'needleMass'>, kpa: number): number {
  const grams = (1.2 * kpa * (Math.PI / 4) * float.seatBore ** 2) / GRAVITY
  return Math.max(0, 5 * Math.ceil((grams - float.needleMass) / 5))
}

/**
 * The circle that a needle seals on, mm, from the weight that lies on it (g, with its own) and the pressure at which it lifts, kPa:
 * d = √(4·m·g/(π·P)). Refuses `popOff` at or below 0.
 */
export function sealsOn(grams: number, popOffKpa: number): Result<number> {
  if (!(popOffKpa > 0) || !(grams > 0))
    return refuse('popOff', 'A needle lifts at a pressure above 0, under a weight above 0.')
  return Math.sqrt((4 * grams * GRAVITY) / (Math.PI * popOffKpa))
}

/** mL/min that lose so many kPa in so many seconds out of a volume, at the air's pressure. */
export const lossAsLeak = (kpa: number, seconds: number, volumeMl: number): number =>
  (kpa / seconds / SEA_LEVEL_KPA) * 60 * volumeMl

/** What the wet bench stands at. */
export interface Bench {
  pressureKpa: number
  densityKgM3: number
  /** float end up is above 0 */
  tiltDeg: number
  /** where it is read, mm beyond the float's centre, away from the pin */
  readAtMm: number
}

/** What was said of a wet bench: its head, mm, as typed; its fluid; where the level is read, mm, as typed. */
export interface BenchSaid {
  head: string
  fluid: string
  readAt: string
}

/**
 * A wet bench from what was typed of it: a tank so high that it gives the job's own pressure unless another head is typed, test fluid
 * unless gasoline or the job's own fuel is said.
 */
export function benchOf(
  { head, fluid, readAt }: BenchSaid,
  conditions: Conditions,
  tiltDeg: number,
): Bench & { headMm: number | null } {
  const densityKgM3 =
    fluid === 'job' ? conditions.densityKgM3 : fluid === 'gasoline' ? fluidDensity(0) : fluidDensity(null)
  const typed = plainNumber(head)
  const headMm = Number.isFinite(typed) ? typed : null
  return {
    headMm,
    densityKgM3,
    pressureKpa: headMm === null ? conditions.pressureKpa : headPressure(headMm, densityKgM3),
    tiltDeg,
    readAtMm: plainNumber(readAt, 0),
  }
}

export interface BenchLevel {
  /** mm below the face that a unit set as its sheet says shows on this bench, and the band about it */
  expected: number
  lo: number
  hi: number
  /** what the height as it was left would show by geometry; null where none was read */
  byHeight: number | null
}

/** How much further below the face the fuel stands where it is read: with the float's end up the face rises there and the fuel does not. */
const tiltShift = ({ readAtMm, tiltDeg }: Bench) => readAtMm * Math.tan((tiltDeg * Math.PI) / 180)

/**
 * The level that a wet bench is to show (`docs/physics.md` 5): the sheet's level is at the sheet's pressure and fuel; the bench's own
 * pressure, fluid and tilt move the mark, not the band. Refuses what the float cannot hold: `spills` where it would stand above the face.
 */
export function benchLevel(spec: SpecSheet, bench: Bench, height: number | null): Result<BenchLevel> {
  const { float, level } = spec
  if (!(bench.densityKgM3 >= 600 && bench.densityKgM3 <= 1000))
    return refuse('density', 'A bench fluid weighs between 600 and 1000 kg/m³.')
  if (!(bench.pressureKpa >= 0)) return refuse('pressure', 'The pressure at the inlet is not below 0.')
  if (!(Math.abs(bench.tiltDeg) <= 45)) return refuse('tilt', 'Tilts up to 45 degrees can be reckoned with.')
  const sheet = workingConditions(undefined, spec)
  const target = readingForLevel(float, level.target, sheet.pressureKpa, sheet.densityKgM3)
  if (target === undefined) return refuse('level', 'This sheet’s level cannot be reached by its float.')
  const asSheet = levelInUse(float, target, bench.pressureKpa, bench.densityKgM3)
  if (isRefusal(asSheet)) return asSheet
  if (!asSheet.holds)
    return refuse(
      'pressure',
      `It cannot shut against ${bench.pressureKpa.toFixed(1)} kPa: ${asSheet.maxPressure.toFixed(0)} is the most that this float holds.`,
    )
  const expected = asSheet.belowFace + tiltShift(bench)
  if (expected <= 0)
    return refuse(
      'tilt',
      'At this tilt it would stand above the face there: it overflows before the needle shuts.',
    )
  const own = height === null ? null : levelInUse(float, height, bench.pressureKpa, bench.densityKgM3)
  return {
    expected,
    lo: expected - (level.target - level.lo),
    hi: expected + (level.hi - level.target),
    byHeight: own === null || isRefusal(own) ? null : own.belowFace + tiltShift(bench),
  }
}

/** What a level that was read on the bench means at the engine, mm below the face: the float lies deeper or higher by its own pressure and fuel. */
export function levelAtEngine(
  spec: SpecSheet,
  bench: Bench,
  belowFace: number,
  conditions: Conditions,
): Result<number> {
  const flat = belowFace - tiltShift(bench)
  const dry = readingForLevel(spec.float, flat, bench.pressureKpa, bench.densityKgM3)
  if (dry === undefined) return refuse('level', 'Pin and arm do not reach such a level: read it again.')
  const engine = levelInUse(spec.float, dry, conditions.pressureKpa, conditions.densityKgM3)
  return isRefusal(engine) ? engine : engine.belowFace
}

/** The dry height that brings a level of the bench to its mark, mm, from the height as it stands now. Undefined out of the arm's reach. */
export function heightForLevel(
  spec: SpecSheet,
  bench: Bench,
  height: number,
  belowFace: number,
  expected: number,
): number | undefined {
  const now = levelInUse(spec.float, height, bench.pressureKpa, bench.densityKgM3)
  if (isRefusal(now)) return undefined
  return readingForLevel(
    spec.float,
    now.belowFace + expected - belowFace,
    bench.pressureKpa,
    bench.densityKgM3,
  )
}

export interface Spill {
  /** mm of the lowest way out over the fuel that was read; below 0 it runs out */
  marginMm: number
  /** kPa at the inlet at which it runs out there before the float shuts */
  atKpa: number
}

/**
 * How far the fuel stands under the lowest way out (nozzle lip, standpipe, vent; mm below the face), and the pressure at which it would run
 * out there: the most that the float holds when it may sink no deeper than to there (`docs/physics.md` 5). Refuses what the float cannot show.
 */
export function spillMargin(
  { float }: SpecSheet,
  bench: Bench,
  height: number,
  belowFace: number,
  lipMm: number,
): Result<Spill> {
  const now = levelInUse(float, height, bench.pressureKpa, bench.densityKgM3)
  if (isRefusal(now)) return now
  const bottom = now.belowFace + now.immersion
  const depth = Math.min(float.depth, bottom - lipMm)
  if (!(depth > 0)) return { marginMm: belowFace - lipMm, atKpa: 0 }
  const held = floatBalance(floatBody(float, { depth }), bench.pressureKpa, bench.densityKgM3)
  return isRefusal(held) ? held : { marginMm: belowFace - lipMm, atKpa: Math.max(0, held.maxPressure) }
}

/** How much heavier the float would have to be for a level that stands so much too high, g: Δm = Δs·ρ·A_p·x_b/x_g. */
export const soakedBy = (float: FloatGeometry, tooHighMm: number, densityKgM3: number): number =>
  (tooHighMm * densityKgM3 * 1e-6 * float.planArea * (float.guided ? 1 : float.buoyancyArm)) /
  (float.guided ? 1 : float.gravityArm)

/** Least and most of a pump's ten strokes as shares of what its piston sweeps. */
const PUMP_LEAST = 0.8
const PUMP_MOST = 1.05

/** What ten strokes sweep, mL, from well and linkage. Refuses where the sheet has no pump, or its linkage cannot be. */
function sweptTen(spec: SpecSheet): Result<number> {
  const { pump } = spec
  if (!pump) return refuse('pump', 'This list number has no pump.')
  const stroke = pumpStroke(linkageOf(pump), (pump.idle * Math.PI) / 180, (pump.wot * Math.PI) / 180)
  if (isRefusal(stroke)) return stroke
  const volume = pistonVolume(pump.wellBore, stroke.stroke)
  return isRefusal(volume) ? volume : 10 * volume
}

/** The band of ten strokes, mL; without one where nobody knows the pump's measures. */
export function pumpBand(spec: SpecSheet): { lo: number | null; hi: number | null; swept: number | null } {
  const swept = spec.taught ? null : sweptTen(spec)
  return swept === null || isRefusal(swept)
    ? { lo: null, hi: null, swept: null }
    : { lo: PUMP_LEAST * swept, hi: PUMP_MOST * swept, swept }
}

/** Bench fluid by what is poured: test fluid, or fuel of a blend. */
export const fluidDensity = (ethanol: number | null): number =>
  ethanol === null ? TEST_FLUID : blendDensity(ethanol)
