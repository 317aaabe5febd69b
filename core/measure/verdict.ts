import { refuse, type Result } from '../base/refusal/index.ts'

export type InOut = 'in' | 'out' | 'doubtful'

export interface Verdict {
  pIn: number
  verdict: InOut
}

/**
 * How surely a reading lies in its band. `value`, `lo`, `hi` in one unit, `sigma` > 0 the reading's standard deviation;
 * either limit may be absent, not both. P(in) = Φ((hi−x)/σ) − Φ((lo−x)/σ); in at P ≥ 0.95, out at P ≤ 0.05.
 */
export function judge(value: number, sigma: number, lo?: number | null, hi?: number | null): Result<Verdict> {
  if (!Number.isFinite(value)) return refuse('value', 'The reading must be a number.')
  if (!(sigma > 0) || !Number.isFinite(sigma))
    return refuse('sigma', 'The error of the gauge must be more than 0.')
  const hasLo = lo !== undefined && lo !== null
  const hasHi = hi !== undefined && hi !== null
  if (!hasLo && !hasHi) return refuse('lo', 'A band needs at least one limit.')
  if (hasLo && !Number.isFinite(lo)) return refuse('lo', 'The lower limit must be a number.')
  if (hasHi && !Number.isFinite(hi)) return refuse('hi', 'The upper limit must be a number.')
  if (hasLo && hasHi && lo > hi) return refuse('lo', 'The lower limit lies above the upper one.')
  const below = hasLo ? normalTail((value - lo) / sigma) : 0
  const above = hasHi ? normalTail((hi - value) / sigma) : 0
  const pIn = Math.max(0, 1 - below - above)
  return { pIn, verdict: pIn >= 0.95 ? 'in' : pIn <= 0.05 ? 'out' : 'doubtful' }
}

/** Whether any reading with this error could ever be called in: σ ≤ (hi − lo)/3.92. */
export function canSettle(sigma: number, lo?: number | null, hi?: number | null): boolean {
  if (lo === undefined || lo === null || hi === undefined || hi === null) return true
  return sigma <= (hi - lo) / 3.92
}

/**
 * The share of a go/no-go bracket that lies in the band: the bore is at least `go` and less than `no` (mm), uniform between.
 * Refuses `go` where it is not below `no`.
 */
export function judgeBracket(
  go: number,
  no: number,
  lo?: number | null,
  hi?: number | null,
): Result<Verdict> {
  if (!(go < no)) return refuse('go', 'The pin that enters must be smaller than the one that does not.')
  const pIn = Math.max(0, Math.min(hi ?? Infinity, no) - Math.max(lo ?? -Infinity, go)) / (no - go)
  return { pIn, verdict: pIn >= 0.95 ? 'in' : pIn <= 0.05 ? 'out' : 'doubtful' }
}

/** One reading's σ: the gauge's repeatability (1 σ) in quadrature with its resolution/√12. Same unit as both. */
export function readingSigma(repeatability: number, resolution: number): number {
  return Math.hypot(repeatability, resolution / Math.sqrt(12))
}

/** P(Z > x) for a standard normal, to about 1e-15 relative near 0 (complementary error function, continued fraction). */
export function normalTail(x: number): number {
  return 0.5 * erfc(x / Math.SQRT2)
}

function erfc(x: number): number {
  if (x < 0) return 2 - erfc(-x)
  if (x > 27) return 0
  if (x < 2.5) {
    // Series of erf: 2/√π · e^(−x²) Σ 2ⁿ x^(2n+1)/(2n+1)!!
    let term = x
    let sum = x
    for (let n = 1; n < 200 && Math.abs(term) > 1e-17 * Math.abs(sum); n++) {
      term *= (2 * x * x) / (2 * n + 1)
      sum += term
    }
    return 1 - (2 / Math.sqrt(Math.PI)) * Math.exp(-x * x) * sum
  }
  let fraction = 0
  for (let n = 60; n >= 1; n--) fraction = n / 2 / (x + fraction)
  return Math.exp(-x * x) / (Math.sqrt(Math.PI) * (x + fraction))
}
