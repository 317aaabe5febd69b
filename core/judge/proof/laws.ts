import { SEA_LEVEL_KPA } from '../../base/constants/index.ts'
import type { ProofMeasured } from '../../log/index.ts'
import { fitLeastSquares, inverseDiagonal, jacobian, type FitModel } from '../../measure/fit/index.ts'

/** By which law a pressure that is shut in falls. */
export type Law = Extract<ProofMeasured, { what: 'hold' }>['law']

/** A law fitted to a trace: its leak, mL/min at the air's pressure, with its standard error; S as robust sum; wild samples. */
export interface FittedLaw {
  law: Law
  /** pressure above the air's at the first sample, kPa; of what holds once it has settled, for settling */
  p0: number
  /** what settling falls by, kPa, and how fast, s; 0 for the other laws */
  drop: number
  tau: number
  leak: number
  se: number
  sum: number
  wild: number
}

const WILD = 4
const CUT = WILD * WILD
const TAU_LEAST = 0.3
const TAU_MOST = 10

/** Above the air's pressure, or below it: a vacuum is shut in and told as how far below. */
export type Side = 1 | -1

/**
 * Laminar: u = p/(2p_a ± p) falls as e^(−λt), λ = Q·p_a/(60V)·2p_a/(p0(2p_a ± p0)); the flow goes with the difference of the squares
 * of both pressures, + above the air's and − below.
 */
export function laminar(t: number, p0: number, q: number, volume: number, side: Side): number {
  if (!(p0 > 0)) return 0
  const rate =
    ((q * SEA_LEVEL_KPA) / (60 * volume)) * ((2 * SEA_LEVEL_KPA) / (p0 * (2 * SEA_LEVEL_KPA + side * p0)))
  const u = (p0 / (2 * SEA_LEVEL_KPA + side * p0)) * Math.exp(-rate * t)
  return side * u >= 1 ? 1e9 : (2 * SEA_LEVEL_KPA * u) / (1 - side * u)
}

/** Orifice: √p falls linearly, κ = Q·p_a/(60V)/(2√p0). */
function orifice(t: number, p0: number, q: number, volume: number): number {
  if (!(p0 > 0)) return 0
  const root = Math.sqrt(p0) - ((q * SEA_LEVEL_KPA) / (60 * volume) / (2 * Math.sqrt(p0))) * t
  return root > 0 ? root * root : 0
}

function robust(
  model: FitModel,
  parameters: readonly number[],
  wanted: readonly number[],
  sigma: number,
): number {
  const values = model(parameters)
  let sum = 0
  for (let i = 0; i < wanted.length; i++) sum += Math.min(((wanted[i]! - values[i]!) / sigma) ** 2, CUT)
  return sum
}

/** So many of the starts are followed to their end, and so far each is tried first. */
const FOLLOWED = 3
const TRIED_STEPS = 12
const MOST_ROUNDS = 10
/** A trace of more samples than this is fitted to so many of them first, and then to all. */
const LONG = 400
const THINNED = 56
const BINS = 1200
const POLISH_STEPS = 12
const POLISH_ROUNDS = 2

interface Fitting {
  modelOf: (times: readonly number[]) => FitModel
  starts: readonly (readonly number[])[]
  bounds: { lo: readonly number[]; hi: readonly number[] }
}

/**
 * Least S = Σ min((r/σ)², 16): fitted without the samples that lie beyond 4σ until those stay the same. A long trace is fitted to few of
 * its samples first, closer together at its beginning where settling is, and then polished on all of them, neighbours
 * taken together.
 */
function fitRobust(
  { modelOf, starts, bounds }: Fitting,
  times: readonly number[],
  wanted: readonly number[],
  sigma: number,
): { parameters: number[]; sum: number } {
  if (times.length <= LONG) return fitFromStarts(modelOf(times), wanted, starts, sigma, bounds)
  const few = thinned(times.length)
  const rough = fitFromStarts(
    modelOf(few.map((i) => times[i]!)),
    few.map((i) => wanted[i]!),
    starts,
    sigma,
    bounds,
  )
  const model = modelOf(times)
  let { parameters } = rough
  let best = { parameters, sum: robust(model, parameters, wanted, sigma) }
  for (let round = 0; round < POLISH_ROUNDS; round++) {
    const bins = binned(times, wanted, weightsOf(model, parameters, wanted, sigma), sigma)
    parameters = fitLeastSquares(modelOf(bins.times), bins.wanted, parameters, {
      weights: bins.weights,
      steps: POLISH_STEPS,
      ...bounds,
    }).parameters
    const sum = robust(model, parameters, wanted, sigma)
    const gained = best.sum - sum
    if (gained > 0) best = { parameters, sum }
    if (!(gained > 1e-6 * (1 + sum))) break
  }
  return best
}

/** Neighbouring samples that are not wild taken together, each bin as heavy as what is in it: least squares over them are those over all. */
function binned(times: readonly number[], wanted: readonly number[], weights: Float64Array, sigma: number) {
  const size = Math.ceil(times.length / BINS)
  const bins = { times: [] as number[], wanted: [] as number[], weights: [] as number[] }
  for (let from = 0; from < times.length; from += size) {
    let [count, t, p] = [0, 0, 0]
    for (let i = from; i < Math.min(times.length, from + size); i++) {
      if (weights[i] === 0) continue
      count++
      t += times[i]!
      p += wanted[i]!
    }
    if (count === 0) continue
    bins.times.push(t / count)
    bins.wanted.push(p / count)
    bins.weights.push(Math.sqrt(count) / sigma)
  }
  return bins
}

/** Which samples of so many stand for all: each step a little longer than the one before it. */
function thinned(count: number): number[] {
  const picked = new Set<number>()
  for (let i = 0; i < THINNED; i++) picked.add(Math.round((count - 1) * (i / (THINNED - 1)) ** 1.8))
  return [...picked].sort((a, b) => a - b)
}

/** Every start is tried a few steps, the best are followed. */
function fitFromStarts(
  model: FitModel,
  wanted: readonly number[],
  starts: readonly (readonly number[])[],
  sigma: number,
  bounds: { lo: readonly number[]; hi: readonly number[] },
): { parameters: number[]; sum: number } {
  const even = wanted.map(() => 1 / sigma)
  const fit = (start: readonly number[], steps: number, weights: Float64Array) => {
    let counted = 0
    for (const one of weights) if (one > 0) counted++
    const { parameters } = fitLeastSquares(model, wanted, start, {
      weights: counted > start.length ? weights : even,
      steps,
      ...bounds,
    })
    return { parameters, sum: robust(model, parameters, wanted, sigma) }
  }
  // From each start twice: with every sample, and with those alone that lie near it.
  const tried = starts
    .flatMap((start) => {
      const all = fit(start, TRIED_STEPS, Float64Array.from(even))
      return [all, fit(start, TRIED_STEPS, weightsOf(model, start, wanted, sigma))]
    })
    .sort((a, b) => a.sum - b.sum)
  let best = tried[0]!
  for (const one of tried.slice(0, FOLLOWED)) {
    let { parameters } = one
    let weights = weightsOf(model, parameters, wanted, sigma)
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const next = fit(parameters, 60, weights)
      const now = weightsOf(model, next.parameters, wanted, sigma)
      const same = now.every((weight, i) => weight === weights[i])
      parameters = next.parameters
      weights = now
      if (next.sum < best.sum) best = next
      if (same) break
    }
  }
  return best
}

function weightsOf(
  model: FitModel,
  parameters: readonly number[],
  wanted: readonly number[],
  sigma: number,
): Float64Array {
  const values = model(parameters)
  const weights = new Float64Array(wanted.length)
  for (let i = 0; i < weights.length; i++)
    weights[i] = Math.abs(wanted[i]! - values[i]!) > WILD * sigma ? 0 : 1 / sigma
  return weights
}

/** Values of a law at its times, in one array. */
const valuesOf = (times: readonly number[], at: (t: number) => number): Float64Array => {
  const values = new Float64Array(times.length)
  for (let i = 0; i < values.length; i++) values[i] = at(times[i]!)
  return values
}

/** All three laws fitted to a trace of [s, kPa above the air's, or below it]; volume mL, σ kPa. Times from the first sample. */
export function fitLaws(
  samples: readonly (readonly [number, number])[],
  volume: number,
  sigma: number,
  side: Side = 1,
): Record<Law, FittedLaw> {
  const zero = samples[0]![0]
  const times = samples.map(([t]) => t - zero)
  const wanted = samples.map(([, p]) => p)
  const long = times.at(-1)!
  // A slope that a few wild samples do not move: the median of those between the halves, sample by sample.
  const half = Math.floor(samples.length / 2)
  const slopes = times
    .slice(0, samples.length - half)
    .map((t, i) => (wanted[i + half]! - wanted[i]!) / (times[i + half]! - t))
  const slope = median(slopes)
  const level = median(wanted.map((p, i) => p - slope * times[i]!))
  const ends = median(wanted.slice(-Math.max(3, Math.ceil(samples.length / 5))))
  const begins = median(wanted.slice(0, Math.max(3, Math.ceil(samples.length / 10))))
  const q = (kpaPerS: number) => (-kpaPerS * 60 * volume) / SEA_LEVEL_KPA
  const simple = (law: 'laminar' | 'orifice'): FittedLaw => {
    const of = law === 'laminar' ? laminar : orifice
    const modelOf =
      (some: readonly number[]): FitModel =>
      ([p0, leak]) =>
        valuesOf(some, (t) => of(t, p0!, leak!, volume, side))
    const model = modelOf(times)
    const bounds = { lo: [1e-6, -Infinity], hi: [Infinity, Infinity] }
    const late = (ends - level) / (long || 1)
    const starts = [
      [Math.max(level, 1e-3), q(slope)],
      [Math.max(begins, 1e-3), q((ends - begins) / (long || 1))],
      [Math.max(begins, 1e-3), 3 * q((ends - begins) / (long || 1))],
      [Math.max(level, 1e-3), q(late)],
      [Math.max(...wanted, 1e-3), q(slope)],
    ]
    const { parameters, sum } = fitRobust({ modelOf, starts, bounds }, times, wanted, sigma)
    return {
      law,
      p0: parameters[0]!,
      drop: 0,
      tau: 0,
      leak: parameters[1]!,
      sum,
      ...spreadOf(model, parameters, wanted, sigma, 1, [0, 1]),
    }
  }
  return { laminar: simple('laminar'), orifice: simple('orifice'), settling: settling() }

  function settling(): FittedLaw {
    const modelOf =
      (some: readonly number[]): FitModel =>
      ([pEnd, leak, drop, tau]) =>
        valuesOf(some, (t) => drop! * Math.exp(-t / tau!) + laminar(t, pEnd!, leak!, volume, side))
    const model = modelOf(times)
    const bounds = { lo: [1e-6, -Infinity, 0, TAU_LEAST], hi: [Infinity, Infinity, Infinity, TAU_MOST] }
    const starts = [0.4, 1, 2.5, 5, 9].flatMap((tau) => [
      [Math.max(ends, 1e-3), 0, Math.max(0.01, begins - ends), tau],
      [Math.max(level, 1e-3), q(slope), Math.max(0.01, wanted[0]! - level), tau],
      [Math.max((begins + ends) / 2, 1e-3), q(slope) / 2, Math.max(0.01, (begins - ends) / 2), tau],
    ])
    const { parameters, sum } = fitRobust({ modelOf, starts, bounds }, times, wanted, sigma)
    const [p0, leak, drop, tau] = parameters as [number, number, number, number]
    // A parameter that stands at its bound is not free.
    const free = [0, 1, ...(drop > 1e-9 ? [2, ...(tau > TAU_LEAST && tau < TAU_MOST ? [3] : [])] : [])]
    return {
      law: 'settling',
      p0,
      drop,
      tau,
      leak,
      sum,
      ...spreadOf(model, parameters, wanted, sigma, 1, free),
    }
  }
}

/** The standard error of one parameter over the samples that are not wild, and how many are. */
function spreadOf(
  model: FitModel,
  parameters: readonly number[],
  wanted: readonly number[],
  sigma: number,
  which: number,
  free: readonly number[],
): { se: number; wild: number } {
  const weights = weightsOf(model, parameters, wanted, sigma)
  const slopes = jacobian(model, parameters).filter((_, j) => free.includes(j))
  const normal = slopes.map((a) =>
    slopes.map((b) => {
      let sum = 0
      for (let i = 0; i < weights.length; i++) if (weights[i]! > 0) sum += a[i]! * b[i]!
      return sum
    }),
  )
  const variances = inverseDiagonal(normal)
  const at = free.indexOf(which)
  const variance = variances?.[at]
  return {
    se: variance !== undefined && variance >= 0 ? sigma * Math.sqrt(variance) : Infinity,
    wild: weights.reduce((count, one) => (one > 0 ? count : count + 1), 0),
  }
}

function median(values: readonly number[]): number {
  const rising = [...values].sort((a, b) => a - b)
  const middle = Math.floor(rising.length / 2)
  return rising.length % 2 ? rising[middle]! : (rising[middle - 1]! + rising[middle]!) / 2
}

/** The pressure that a fitted law says at a time from the first sample, kPa. */
export function curveOf(fit: FittedLaw, volume: number, side: Side = 1): (seconds: number) => number {
  if (fit.law === 'orifice') return (t) => orifice(t, fit.p0, fit.leak, volume)
  return (t) => fit.drop * Math.exp(-t / (fit.tau || 1)) + laminar(t, fit.p0, fit.leak, volume, side)
}
