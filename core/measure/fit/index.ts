/** A model's values at the samples, for a set of parameters. */
export type FitModel = (parameters: readonly number[]) => ArrayLike<number>

export interface Fit {
  parameters: number[]
  /** Σ of the squared residuals that counted */
  cost: number
}

const STEPS = 80

/**
 * Least squares by damped Gauss–Newton steps (Levenberg, Marquardt) with a numerical Jacobian; parameters are held between their bounds.
 * `weights` of 0 leave a sample out. Plain loops: a trace of ten minutes has twelve thousand samples.
 */
export function fitLeastSquares(
  model: FitModel,
  wanted: readonly number[],
  start: readonly number[],
  {
    weights = wanted.map(() => 1),
    lo = start.map(() => -Infinity),
    hi = start.map(() => Infinity),
    steps = STEPS,
  }: {
    weights?: ArrayLike<number>
    lo?: readonly number[]
    hi?: readonly number[]
    steps?: number
  } = {},
): Fit {
  const clamp = (parameters: readonly number[]) =>
    parameters.map((value, i) => Math.min(hi[i]!, Math.max(lo[i]!, value)))
  const count = wanted.length
  const costAt = (values: ArrayLike<number>) => {
    let sum = 0
    for (let i = 0; i < count; i++) sum += ((wanted[i]! - values[i]!) * weights[i]!) ** 2
    return sum
  }
  let parameters = clamp(start)
  let values = model(parameters)
  let cost = costAt(values)
  let damping = 1e-3
  for (let step = 0; step < steps; step++) {
    const slopes = jacobian(model, parameters, lo, hi)
    const n = parameters.length
    const normal = slopes.map(() => Array<number>(n).fill(0))
    const pull = slopes.map(() => 0)
    for (let i = 0; i < count; i++) {
      const w = weights[i]! * weights[i]!
      if (w === 0) continue
      const rest = wanted[i]! - values[i]!
      for (let a = 0; a < n; a++) {
        const slope = slopes[a]![i]! * w
        pull[a]! += slope * rest
        const row = normal[a]!
        for (let b = a; b < n; b++) row[b]! += slope * slopes[b]![i]!
      }
    }
    for (let a = 0; a < n; a++) for (let b = 0; b < a; b++) normal[a]![b] = normal[b]![a]!
    let moved = false
    for (let attempt = 0; attempt < 12; attempt++) {
      const damped = normal.map((row, i) =>
        row.map((value, j) => (i === j ? value * (1 + damping) + 1e-300 : value)),
      )
      const change = solve(damped, pull)
      // So small a step moves nothing that anybody could tell.
      if (change?.every((by, i) => Math.abs(by) <= 1e-10 * (1e-6 + Math.abs(parameters[i]!)))) break
      if (change) {
        const next = clamp(parameters.map((value, i) => value + change[i]!))
        const after = model(next)
        const lower = costAt(after)
        if (Number.isFinite(lower) && lower < cost) {
          const gained = cost - lower
          parameters = next
          values = after
          cost = lower
          damping = Math.max(1e-12, damping / 6)
          moved = gained > 1e-12 * (1 + cost) && n > 0
          break
        }
      }
      damping *= 5
    }
    if (!moved) break
  }
  return { parameters, cost }
}

/** Slopes of a model by each parameter, by differences that stay within the bounds. */
export function jacobian(
  model: FitModel,
  parameters: readonly number[],
  lo: readonly number[] = parameters.map(() => -Infinity),
  hi: readonly number[] = parameters.map(() => Infinity),
): Float64Array[] {
  return parameters.map((value, j) => {
    const h = 1e-6 * Math.max(1e-3, Math.abs(value))
    const [below, above] = [Math.max(lo[j]!, value - h), Math.min(hi[j]!, value + h)]
    const at = (x: number) => model(parameters.map((one, i) => (i === j ? x : one)))
    const [a, b] = [at(below), at(above)]
    const slopes = new Float64Array(a.length)
    const wide = above - below
    if (wide > 0) for (let i = 0; i < slopes.length; i++) slopes[i] = (b[i]! - a[i]!) / wide
    return slopes
  })
}

/** Solves a square system by elimination with pivots; undefined where it has no single answer. */
export function solve(
  matrix: readonly (readonly number[])[],
  right: readonly number[],
): number[] | undefined {
  const n = right.length
  const rows = matrix.map((row, i) => [...row, right[i]!])
  for (let c = 0; c < n; c++) {
    let pivot = c
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[pivot]![c]!)) pivot = r
    if (!(Math.abs(rows[pivot]![c]!) > 1e-280)) return undefined
    ;[rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!]
    for (let r = c + 1; r < n; r++) {
      const share = rows[r]![c]! / rows[c]![c]!
      for (let k = c; k <= n; k++) rows[r]![k]! -= share * rows[c]![k]!
    }
  }
  const answer = Array<number>(n).fill(0)
  for (let r = n - 1; r >= 0; r--) {
    let sum = rows[r]![n]!
    for (let k = r + 1; k < n; k++) sum -= rows[r]![k]! * answer[k]!
    answer[r] = sum / rows[r]![r]!
  }
  return answer.every(Number.isFinite) ? answer : undefined
}

/** The inverse's diagonal of a square matrix: variances from a normal matrix; undefined where it is singular. */
export function inverseDiagonal(matrix: readonly (readonly number[])[]): number[] | undefined {
  const diagonal = matrix.map(
    (_, j) =>
      solve(
        matrix,
        matrix.map((__, i) => (i === j ? 1 : 0)),
      )?.[j],
  )
  return diagonal.every((value) => value !== undefined) ? diagonal : undefined
}
export { bisect } from './bisect.ts'
