import { refuse, type Result } from '../../base/refusal/index.ts'

/** The turns that make a bank alike. */
export interface Balance {
  /** one an adjuster */
  turns: number[]
  /** the adjusters in the order that does not undo itself */
  order: number[]
  /** largest less smallest reading to expect, the reference body's with them */
  spread: number
}

/** An adjuster carries a body that it moves by a tenth of what it moves most. */
const CARRIES = 0.1
const DEPENDENT = 1e-6

/**
 * Synchronising a bank (`docs/physics.md` 13): readings of each body, the change of each by a turn of each adjuster, and the body that
 * leads. Its row is taken off every other's; least squares for the adjusters; first those that carry most bodies. Refuses `readings`,
 * `reference`, `influence`.
 */
export function balanceBank(
  readings: readonly number[],
  influence: readonly (readonly number[])[],
  reference: number,
): Result<Balance> {
  if (readings.length < 2 || !readings.every(Number.isFinite))
    return refuse('readings', 'A bank has two bodies or more, each with its reading.')
  if (!Number.isInteger(reference) || reference < 0 || reference >= readings.length)
    return refuse('reference', 'There is no such body to lead.')
  const count = influence[0]?.length ?? 0
  if (
    influence.length !== readings.length ||
    count === 0 ||
    influence.some((row) => row.length !== count || !row.every(Number.isFinite))
  )
    return refuse('influence', 'One row for each body, each with the same adjusters.')
  if (count > readings.length - 1)
    return refuse(
      'influence',
      'More adjusters than bodies to bring in line: their turns are not settled by that.',
    )
  const lead = influence[reference]!
  const relative = influence.map((row) => row.map((value, j) => value - lead[j]!))
  const others = relative.filter((_, i) => i !== reference)
  const off = readings.filter((_, i) => i !== reference).map((value) => readings[reference]! - value)
  const columns = Array.from({ length: count }, (_, j) => others.map((row) => row[j]!))
  const lengths = columns.map((column) => Math.hypot(...column))
  if (lengths.some((length) => length === 0))
    return refuse('influence', 'An adjuster moves all bodies alike: it brings none in line.')
  const unit = columns.map((column, j) => column.map((value) => value / lengths[j]!))
  const solved = leastSquares(unit, off)
  if (!solved) return refuse('influence', 'Two adjusters do the same: which one is turned is not settled.')
  const turns = solved.map((value, j) => value / lengths[j]!)
  if (!turns.every(Number.isFinite))
    return refuse('influence', 'An adjuster moves next to nothing: its turns cannot be told.')
  const carried = columns.map((column) => {
    const largest = Math.max(...column.map(Math.abs))
    return column.filter((value) => Math.abs(value) >= CARRIES * largest).length
  })
  const after = readings.map(
    (value, i) => value + influence[i]!.reduce((sum, by, j) => sum + by * turns[j]!, 0),
  )
  return {
    turns,
    order: turns.map((_, j) => j).sort((a, b) => carried[b]! - carried[a]! || a - b),
    spread: Math.max(...after) - Math.min(...after),
  }
}

/** Least squares over columns of length 1 by one-sided rotations (Jacobi's singular values); undefined where they depend on each other. */
function leastSquares(
  columns: readonly (readonly number[])[],
  wanted: readonly number[],
): number[] | undefined {
  const u = columns.map((column) => [...column])
  const n = u.length
  const v = u.map((_, i) => u.map((__, j) => (i === j ? 1 : 0)))
  const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, one, i) => sum + one * b[i]!, 0)
  for (let sweep = 0; sweep < 60; sweep++) {
    let off = 0
    for (let p = 0; p < n; p++)
      for (let q = p + 1; q < n; q++) {
        const [a, b, c] = [dot(u[p]!, u[p]!), dot(u[q]!, u[q]!), dot(u[p]!, u[q]!)]
        if (Math.abs(c) <= 1e-15 * Math.sqrt(a * b)) continue
        off = Math.max(off, Math.abs(c))
        const zeta = (b - a) / (2 * c)
        const t = Math.sign(zeta || 1) / (Math.abs(zeta) + Math.sqrt(1 + zeta * zeta))
        const cos = 1 / Math.sqrt(1 + t * t)
        const sin = cos * t
        for (const m of [u, v]) {
          const [x, y] = [m[p]!, m[q]!]
          m[p] = x.map((one, i) => cos * one - sin * y[i]!)
          m[q] = x.map((one, i) => sin * one + cos * y[i]!)
        }
      }
    if (off < 1e-15) break
  }
  const singular = u.map((column) => Math.hypot(...column))
  if (singular.some((value) => value < DEPENDENT)) return undefined
  const share = u.map((column, j) => dot(column, wanted) / singular[j]! ** 2)
  return v[0]!.map((_, i) => share.reduce((sum, one, j) => sum + one * v[j]![i]!, 0))
}
