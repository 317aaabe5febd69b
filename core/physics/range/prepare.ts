import { GRAVITY, ZERO_CELSIUS_K } from '../../base/constants/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { airPressure } from '../air/index.ts'
import { blendAfr, blendDensity } from '../metering/index.ts'
import { airThrough, speedAt } from './air.ts'
import { areaOf, inSeries } from './circuit.ts'
import { ringAt } from './needle.ts'
import { filled, type Filled, type RangeProblem } from './state.ts'
import { along, FAMILY_SIGNAL, IDLE_SHARE, OPENINGS } from './tables.ts'

/** Of the main jet, for the signal that an engine makes there. */
const SIGNAL_CD = 0.75
/** At full an engine that makes less or more than this is not the one these jets are for, kPa. */
const SIGNAL_AT_FULL = [0.2, 8] as const

const SHARE_SIGMA = 0.25
/** A problem worked out as far as no size is chosen. */
export interface Prepared {
  problem: RangeProblem
  ref: Filled
  now: Filled
  openings: readonly number[]
  /** the idle circuit's share of the fuel and its σ, by opening */
  shares: readonly number[]
  shareSigmas: readonly number[]
  /** at the main jet, kPa, by opening; whether it was read or comes of an engine */
  signals: readonly number[]
  signalKnown: boolean
  /** ρ'/ρ of the air */
  air: number
  /** AFR'/AFR, and √(ρ_f'/ρ_f) */
  fuel: number
  density: number
  /** ṁ'/ṁ and the root of the port pressures over it, by opening */
  v: readonly number[]
  w: readonly number[]
  /** how much more or less the air box adds to the signal */
  box: number
}

function mainJet(one: Filled, opening: number, cd: { main: number; power: number }): number {
  const main = (areaOf(one.main!) - (one.rod === undefined ? 0 : areaOf(one.rod))) * cd.main
  const power = one.power !== undefined && opening >= one.powerFrom ? areaOf(one.power) * cd.power : 0
  return main + power
}

/** How high the slide stands at the i-th opening, mm. */
const liftAt = ({ problem, openings }: Pick<Prepared, 'problem' | 'openings'>, one: Filled, i: number) =>
  problem.lifts?.[i] ?? one.bore! * openings[i]!

/** The main circuit's metering area, mm²: jet round its rod, power jet, needle in series. */
export function meteringArea(
  p: Pick<Prepared, 'problem' | 'openings'>,
  one: Filled,
  i: number,
  cd: { main: number; power: number },
): Result<number> {
  const jet = mainJet(one, p.openings[i]!, cd)
  if (!one.needle) return jet
  const ring = ringAt(one.needle, one.needleJet!, liftAt(p, one, i) + one.raise)
  return isRefusal(ring) ? ring : inSeries(ring, jet)
}

export const NO_CHANGE = { main: 1, power: 1 }

/** From the level up to the lip, kPa. */
export const riseOf = ({ lip, ethanol }: Filled): number =>
  (blendDensity(ethanol) * GRAVITY * lip * 1e-3) / 1000

/** Richer at full by its enrichment than in the middle: φ0 of §23. */
const richness = (x: number): number => 1 + 0.15 * Math.max(0, (x - 0.5) / 0.5)

/** The depression at the main jet, kPa: as it was read, as the engine makes it, or as usual in the family. */
function signalsOf(
  problem: RangeProblem,
  ref: Filled,
  openings: readonly number[],
  shares: readonly number[],
  flows: readonly number[] | null,
): Result<number[]> {
  const H = riseOf(ref)
  if (problem.depression || !flows) {
    const signals = openings.map((x, i) => problem.depression?.[i] ?? along(FAMILY_SIGNAL[problem.family], x))
    return signals.some((S) => S <= H / 2)
      ? refuse(
          problem.depression ? 'depression' : 'lip',
          'The signal does not lift the fuel to the lip: the main circuit would not start.',
        )
      : signals
  }
  const signals: number[] = []
  for (const [i, x] of openings.entries()) {
    const area = meteringArea({ problem, openings }, ref, i, NO_CHANGE)
    if (isRefusal(area)) return area
    const fuel = ((1 - shares[i]!) * richness(x) * flows[i]! * 1e-3) / blendAfr(ref.ethanol)
    const S = H + (fuel / (SIGNAL_CD * area * 1e-6)) ** 2 / (2 * blendDensity(ref.ethanol)) / 1000
    if (x === 1 && (S < SIGNAL_AT_FULL[0] || S > SIGNAL_AT_FULL[1]))
      return refuse(
        'engine',
        'These jets are not for this engine: at full its signal would be out of all bounds.',
      )
    signals.push(S)
  }
  return signals
}

/** A problem checked and worked out as far as no size is chosen; refused by the field that is at fault. */
export function prepare(problem: RangeProblem): Result<Prepared> {
  const openings = problem.openings ?? OPENINGS
  const both = filled(problem, openings)
  if (isRefusal(both)) return both
  const { ref, now } = both
  const pressures = [airPressure(ref.altitude), airPressure(now.altitude)] as const
  if (isRefusal(pressures[0])) return pressures[0]
  if (isRefusal(pressures[1])) return pressures[1]
  const air =
    (pressures[1] + now.boost) /
    (now.temperatureC + ZERO_CELSIUS_K) /
    ((pressures[0] + ref.boost) / (ref.temperatureC + ZERO_CELSIUS_K))
  const shares = openings.map((x, i) => problem.shares?.[i] ?? along(IDLE_SHARE[problem.family], x))
  const shareSigmas = shares.map((s) =>
    s === 1 ? 0 : Math.min(SHARE_SIGMA, s / 2) * (problem.shares ? 0.5 : 1),
  )
  const outside = { pressure: pressures[0], temperatureC: ref.temperatureC }
  const breathe = (one: Filled) =>
    one.engine
      ? openings.map((x, i) => airThrough(problem.family, one.engine!, x, speedAt(one.engine!, i), outside))
      : null
  const was = breathe(ref)
  const is = problem.now.engine ? breathe(now) : was
  const v = openings.map((_, i) => (was && is ? is[i]!.flow / was[i]!.flow : 1))
  const w = openings.map((_, i) => (was && is ? Math.sqrt(is[i]!.signal / was[i]!.signal) / v[i]! : 1))
  const signals = signalsOf(problem, ref, openings, shares, was && was.map(({ flow }) => flow))
  if (isRefusal(signals)) return signals
  const box = problem.vent === 'outside' ? 1 + (now.box - ref.box) / (problem.fullSignal ?? 2) : 1
  if (box <= 0) return refuse('box', 'The air box would turn the main jet’s signal round.')
  return {
    problem,
    ref,
    now,
    openings,
    shares,
    shareSigmas,
    signals,
    signalKnown: problem.depression !== undefined || was !== null,
    air,
    fuel: blendAfr(now.ethanol) / blendAfr(ref.ethanol),
    density: Math.sqrt(blendDensity(now.ethanol) / blendDensity(ref.ethanol)),
    v,
    w,
    box,
  }
}
