/** Halvings: an interval of metres shrinks below what any gauge reads. */
const HALVINGS = 60

/**
 * Where something that is true below a bound stops being so, between `low` and `high`, by halving: at `low` it is taken for true, at
 * `high` for false. Returns the last `low` and `high`, which lie 2⁻⁶⁰ of the interval apart.
 */
export function bisect(
  low: number,
  high: number,
  isBelow: (x: number) => boolean,
): { low: number; high: number } {
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (isBelow(middle)) low = middle
    else high = middle
  }
  return { low, high }
}
