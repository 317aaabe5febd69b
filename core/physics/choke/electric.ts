import { fitLeastSquares } from '../../measure/fit/index.ts'
import { refuse, type Result } from '../../base/refusal/index.ts'

/** How an electric coil opens, or a heated enricher shuts. */
export interface ElectricTravel {
  /** when it begins to move, s */
  start: number
  tau: number
  /** how far it would go, as a share of its travel: below 1 it never reaches its end */
  gain: number
  /** s from switching on to 95 % of its travel; null where it never gets there */
  secondsTo95: number | null
}

const NEAR_END = 0.95

/**
 * Travel over time x(t) = 0 before t0, then min(1, G·(1 − e^(−(t − t0)/τ))), fitted to timed readings by least squares; readings at the
 * stop only bound it (`docs/physics.md` 9). Samples are [s, share of its travel]; refuses `samples` where fewer than three lie on the way.
 */
export function fitElectric(
  samples: readonly (readonly [seconds: number, travel: number])[],
): Result<ElectricTravel> {
  if (samples.some(([t, x]) => !Number.isFinite(t) || !Number.isFinite(x) || t < 0 || x < 0 || x > 1))
    return refuse('samples', 'Each reading is a time from 0 s and a share of the travel from 0 to 1.')
  const times = samples.map(([t]) => t)
  const wanted = samples.map(([, x]) => x)
  const moving = samples.filter(([, x]) => x > 0 && x < 1)
  if (new Set(moving.map(([t]) => t)).size < 3)
    return refuse(
      'samples',
      'Three readings on the way, between its ends, are the least that say how fast it goes.',
    )
  const model = ([t0, tau, gain]: readonly number[]) =>
    times.map((t) => (t <= t0! ? 0 : Math.min(1, gain! * (1 - Math.exp(-(t - t0!) / tau!)))))
  const longest = Math.max(...times)
  const first = Math.min(...moving.map(([t]) => t))
  const most = Math.max(...wanted)
  let best: { parameters: number[]; cost: number } | undefined
  for (const share of [0, 0.3, 0.6, 0.85, 0.99])
    for (const tau of [0.1, 0.25, 0.5, 1, 2].map((one) => one * longest))
      for (const gain of [most, 1.1 * most + 0.02, 1.5]) {
        const fit = fitLeastSquares(model, wanted, [share * first, tau, gain], {
          lo: [0, 1e-3, 1e-3],
          hi: [longest, 1e4, 50],
        })
        if (!best || fit.cost < best.cost) best = fit
      }
  const [start, tau, gain] = best!.parameters as [number, number, number]
  return {
    start,
    tau,
    gain,
    secondsTo95: gain <= NEAR_END ? null : start - tau * Math.log(1 - NEAR_END / gain),
  }
}
