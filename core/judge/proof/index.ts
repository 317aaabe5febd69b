import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'
import { curveOf, fitLaws, type FittedLaw, type Law, type Side } from './laws.ts'

export { laminar, type Law } from './laws.ts'
export { fallsWarm, leastOf, proves, spreadOf } from './proves.ts'
export * from './figures.ts'
export { isEnricher, travelSeconds } from './kinds/travel.ts'
export * from './limits.ts'
export * from './lifts.ts'
export * from './list.ts'
export * from './standing.ts'

export interface Hold {
  verdict: 'tight' | 'slow' | 'settling' | 'open' | 'wait'
  /** null while it cannot be told */
  passes: boolean | null
  law: Law
  /** mL/min at the air's pressure, and its 95 % interval; not below 0 */
  leak: number
  low: number
  high: number
  /** with `wait`: how much longer it takes to tell, s */
  secondsMore?: number
  /** the fitted pressure at some times from the first sample, for the drawing: [s, kPa] */
  curve?: [number, number][]
}

const LEAST_SAMPLES = 8
const LEAST_SIGMAS = 10
const MOST_WILD = 0.2
/** Settling is chosen only where it lowers S by more than this: one wild first sample gives no more than 16. */
const SETTLES = 20
/** Laminar and orifice that lie nearer than this are not told apart. */
const ALIKE = 4
const Z95 = 1.96
const STUCK_OPEN = 20
const LEAST_SECONDS = 20
const SETTLED_TAUS = 3
const MOST_WAIT_S = 600

/**
 * A pressure held: what the trace says of a leak (`docs/physics.md` 12). Samples are [s, kPa above the air's], `volume` mL with hose and
 * gauge, `limit` mL/min, `sigma` the gauge's noise, kPa. Three laws are fitted, robust to wild samples; where the interval still
 * straddles the limit the answer is how much longer to wait. `side` −1: a vacuum, samples in kPa below the air's. Refuses `samples`, `volume`, `limit`, `sigma`.
 */
export function judgeHold(
  samples: readonly (readonly [seconds: number, kPa: number])[],
  {
    volume,
    limit,
    sigma = 0.2,
    side = 1,
    drawn = false,
  }: { volume: number; limit: number; sigma?: number; side?: Side; drawn?: boolean },
): Result<Hold> {
  const bad = checkNumbers({ volume, limit, sigma }, { above: { volume: 0, limit: 0, sigma: 0 } })
  if (bad) return bad
  if (samples.length < LEAST_SAMPLES)
    return refuse('samples', 'Eight samples are the least that tell a leak.')
  if (
    samples.some(
      ([t, p], i) => !Number.isFinite(t) || !Number.isFinite(p) || (i > 0 && t <= samples[i - 1]![0]),
    )
  )
    return refuse('samples', 'Each sample is a time that rises and a pressure.')
  const fits = fitLaws(samples, volume, sigma, side)
  const plain = fits.orifice.sum < fits.laminar.sum ? fits.orifice : fits.laminar
  const settles = fits.settling.sum < Math.min(fits.laminar.sum, fits.orifice.sum) - SETTLES
  const fit: FittedLaw = settles ? fits.settling : plain
  if (fit.p0 + fit.drop < LEAST_SIGMAS * sigma)
    return refuse('samples', 'The pressure is too low for this gauge. Pump it up further.')
  if (fit.wild > MOST_WILD * samples.length)
    return refuse(
      'samples',
      'Too many samples jump: it was pumped or touched in mid-hold. Hold it still and begin again.',
    )
  const interval = ({ leak, se }: FittedLaw) => [leak - Z95 * se, leak + Z95 * se] as const
  const alike = !settles && Math.abs(fits.laminar.sum - fits.orifice.sum) < ALIKE
  const both = alike ? [interval(fits.laminar), interval(fits.orifice)] : [interval(fit)]
  const rawLow = Math.min(...both.map(([low]) => low))
  const rawHigh = Math.max(...both.map(([, high]) => high))
  if (rawHigh < 0)
    return refuse('samples', 'The pressure is rising: it is warming up, or still being pumped.')
  const leak = Math.max(0, fit.leak)
  const low = Math.max(0, rawLow)
  const high = Math.max(0, rawHigh)
  const base = {
    law: fit.law,
    leak,
    low,
    high,
    ...(drawn ? { curve: drawnCurve(fit, samples, volume, side) } : {}),
  }
  const T = samples.at(-1)![0] - samples[0]![0]
  const wait = (secondsMore: number): Hold => ({
    ...base,
    verdict: 'wait',
    passes: null,
    secondsMore: Math.min(MOST_WAIT_S, Math.max(1, secondsMore)),
  })
  // The interval narrows as the hold lengthens, about by T^−1.5.
  const untilTold = () => T * (((high - low) / 2 / Math.abs(leak - limit)) ** (2 / 3) - 1)
  if (low > STUCK_OPEN * limit) return { ...base, verdict: 'open', passes: false }
  if (settles && T < SETTLED_TAUS * fit.tau) return wait(SETTLED_TAUS * fit.tau - T)
  if (low === 0) {
    if (high > limit) return wait(untilTold())
    return settles
      ? { ...base, verdict: 'settling', passes: true }
      : { ...base, law: 'laminar', verdict: 'tight', passes: true }
  }
  if (!settles && T < LEAST_SECONDS) return wait(LEAST_SECONDS - T)
  if (low <= limit && limit < high) return wait(untilTold())
  return { ...base, verdict: 'slow', passes: high <= limit }
}

const CURVE_POINTS = 40

function drawnCurve(
  fit: FittedLaw,
  samples: readonly (readonly [number, number])[],
  volume: number,
  side: Side,
): [number, number][] {
  const at = curveOf(fit, volume, side)
  const long = samples.at(-1)![0] - samples[0]![0]
  return Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
    const t = (long * i) / CURVE_POINTS
    return [t, at(t)]
  })
}

/** A gauge's noise from its own trace, kPa: the middle of the steps from sample to sample, of which wild ones say nothing; at least `least`. */
export function noiseOf(samples: readonly (readonly [number, number])[], least = 0.05): number {
  const steps = samples
    .slice(1)
    .map(([, p], i) => Math.abs(p - samples[i]![1]))
    .sort((a, b) => a - b)
  if (steps.length < 8) return 4 * least
  // A step is the difference of two readings: √2 σ; the middle of |normal| is 0.6745 σ.
  return Math.max(least, steps[Math.floor(steps.length / 2)]! / (0.6745 * Math.SQRT2))
}
