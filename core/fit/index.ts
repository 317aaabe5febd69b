/** A model's values at the samples, for a set of parameters. */
export type Model = (parameters: readonly number[]) => number[]

export interface Fit {
  parameters: number[]
  /** Σ of the squared residuals that counted */
  cost: number
}

const STEPS = 80

/**
 * Least squares by damped Gauss–Newton steps (Levenberg, Marquardt) with a numerical Jacobian; parameters are held between their bounds.
 * `weights` of 0 leave a sample out.
 */
export function fitLeastSquares(
  model: Model,
  wanted: readonly number[],
  start: readonly number[],
  {
    weights = wanted.map(() => 1),
    lo = start.map(() => -Infinity),
    hi = start.map(() => Infinity),
    steps = STEPS,
  }: {
    weights?: readonly number[]
    lo?: readonly number[]
    hi?: readonly number[]
    steps?: number
  } = {},
): Fit {
  const clamp = (parameters: readonly number[]) =>
    parameters.map((value, i) => Math.min(hi[i]!, Math.max(lo[i]!, value)))
  const residuals = (parameters: readonly number[]) =>
    model(parameters).map((value, i) => (wanted[i]! - value) * weights[i]!)
  const costOf = (rest: readonly number[]) => rest.reduce((sum, r) => sum + r * r, 0)
  let parameters = clamp(start)
  let rest = residuals(parameters)
  let cost = costOf(rest)
  let damping = 1e-3
  for (let step = 0; step < steps; step++) {
    const slopes = jacobian(model, parameters, lo, hi).map((column) =>
      column.map((value, i) => value * weights[i]!),
    )
    const n = parameters.length
    const normal = slopes.map((a) => slopes.map((b) => a.reduce((sum, one, i) => sum + one * b[i]!, 0)))
    const pull = slopes.map((a) => a.reduce((sum, one, i) => sum + one * rest[i]!, 0))
    let moved = false
    for (let attempt = 0; attempt < 12; attempt++) {
      const damped = normal.map((row, i) =>
        row.map((value, j) => (i === j ? value * (1 + damping) + 1e-300 : value)),
      )
      const change = solve(damped, pull)
      if (change) {
        const next = clamp(parameters.map((value, i) => value + change[i]!))
        const after = residuals(next)
        const lower = costOf(after)
        if (Number.isFinite(lower) && lower < cost) {
          const gained = cost - lower
          parameters = next
          rest = after
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
  model: Model,
  parameters: readonly number[],
  lo: readonly number[] = parameters.map(() => -Infinity),
  hi: readonly number[] = parameters.map(() => Infinity),
): number[][] {
  return parameters.map((value, j) => {
    const h = 1e-6 * Math.max(1e-3, Math.abs(value))
    const [below, above] = [Math.max(lo[j]!, value - h), Math.min(hi[j]!, value + h)]
    const at = (x: number) => model(parameters.map((one, i) => (i === j ? x : one)))
    const [a, b] = [at(below), at(above)]
    return b.map((one, i) => (above > below ? (one - a[i]!) / (above - below) : 0))
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
