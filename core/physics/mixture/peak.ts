import { fitLeastSquares, solve } from '../../measure/fit/index.ts'
import { refuse, type Result } from '../../base/refusal/index.ts'
import { leanerWay, type ScrewKind } from './screw.ts'

/** Where the idle is fastest, and where it has dropped by so much on the lean side. */
export interface MixturePeak {
  /** turns out from seated */
  peak: number
  leanDropAt: number
  leaner: 'in' | 'out'
  /** which curve was fitted: one parabola, or two halves with one peak */
  by: 'parabola' | 'two halves'
}

/** Readings further below the top than this say little of where it is. */
const NEAR_TOP = 0.03

/**
 * The mixture's peak from readings of turns out from seated and rpm (or vacuum), `docs/physics.md` 10: two half-parabolas with one peak
 * where there are six readings or more with two on each side, else a parabola through those within 3 % of the top, or through all
 * where those are too few. `drop`: how far the speed is to fall on the lean side, same unit. Refuses `samples` where the peak is not
 * among them, `drop` where the screw would have to go beyond its seat.
 */
export function mixturePeak(
  samples: readonly (readonly [turns: number, speed: number])[],
  kind: ScrewKind,
  drop: number,
): Result<MixturePeak> {
  if (samples.some(([t, n]) => !Number.isFinite(t) || !Number.isFinite(n) || t < 0 || n < 0))
    return refuse('samples', 'Each reading is turns out from seated, from 0, and a speed.')
  if (kind !== 'fuel' && kind !== 'air') return refuse('kind', 'The screw lets fuel past its tip, or air.')
  if (!(drop >= 0) || !Number.isFinite(drop)) return refuse('drop', 'The drop is not below 0.')
  const places = (some: typeof samples) => new Set(some.map(([t]) => t)).size
  if (samples.length < 4 || places(samples) < 3)
    return refuse(
      'samples',
      'Four readings at three places are the least: one more on the side that has fewest.',
    )
  const top = Math.max(...samples.map(([, n]) => n))
  const near = samples.filter(([, n]) => n >= top * (1 - NEAR_TOP))
  const used = near.length >= 4 && places(near) >= 3 ? near : samples
  const whole = parabola(used)
  const [least, most] = [Math.min(...samples.map(([t]) => t)), Math.max(...samples.map(([t]) => t))]
  if (!whole || !(whole.curve < 0))
    return refuse('samples', 'These readings have no peak: one further out, and one further in.')
  const outside = (peak: number) => peak < least || peak > most
  if (outside(whole.peak))
    return refuse(
      'samples',
      `The peak lies beyond these readings: one further ${whole.peak < least ? 'in' : 'out'} is missing.`,
    )
  const halves = samples.length >= 6 ? twoHalves(samples, whole) : undefined
  const { peak, leftCurve, rightCurve } =
    halves && !outside(halves.peak)
      ? halves
      : { peak: whole.peak, leftCurve: whole.curve, rightCurve: whole.curve }
  const leaner = leanerWay(kind)
  const leanDropAt =
    leaner === 'in' ? peak - Math.sqrt(drop / -leftCurve) : peak + Math.sqrt(drop / -rightCurve)
  if (leanDropAt < 0)
    return refuse('drop', 'The screw seats before the speed has dropped by so much: take a smaller drop.')
  return { peak, leanDropAt, leaner, by: halves && !outside(halves.peak) ? 'two halves' : 'parabola' }
}

/** Least squares y = a + b·t + c·t², about the mean of t for its figures' sake. */
function parabola(samples: readonly (readonly [number, number])[]) {
  const middle = samples.reduce((sum, [t]) => sum + t, 0) / samples.length
  const power = (k: number) => samples.reduce((sum, [t]) => sum + (t - middle) ** k, 0)
  const with_ = (k: number) => samples.reduce((sum, [t, n]) => sum + n * (t - middle) ** k, 0)
  const found = solve(
    [
      [power(0), power(1), power(2)],
      [power(1), power(2), power(3)],
      [power(2), power(3), power(4)],
    ],
    [with_(0), with_(1), with_(2)],
  )
  if (!found) return undefined
  const [a, b, c] = found as [number, number, number]
  return { peak: middle - b / (2 * c), curve: c, height: a - (b * b) / (4 * c) }
}

/** Two half-parabolas with one peak; undefined where a side has fewer than two readings or no fall. */
function twoHalves(
  samples: readonly (readonly [number, number])[],
  start: { peak: number; curve: number; height: number },
) {
  const fit = fitLeastSquares(
    ([peak, height, left, right]) =>
      samples.map(([t]) => height! + (t < peak! ? left! : right!) * (t - peak!) ** 2),
    samples.map(([, n]) => n),
    [start.peak, start.height, start.curve, start.curve],
    { lo: [-Infinity, -Infinity, -Infinity, -Infinity], hi: [Infinity, Infinity, -1e-9, -1e-9] },
  )
  const [peak, , leftCurve, rightCurve] = fit.parameters as [number, number, number, number]
  const left = samples.filter(([t]) => t < peak).length
  const right = samples.filter(([t]) => t > peak).length
  return left >= 2 && right >= 2 ? { peak, leftCurve, rightCurve } : undefined
}
