/**
 * The cross pattern of a joint with `count` fasteners, numbered round its edge from 0: each next one lies as far from those before as it
 * can, its opposite first. With four 0 2 1 3, with six 0 3 1 4 2 5, with eight 0 4 2 6 1 5 3 7. Domain: count ≥ 1, whole.
 */
export function crossOrder(count: number): number[] {
  const left = new Set(Array.from({ length: count }, (_, i) => i))
  const order: number[] = []
  const take = (at: number) => {
    left.delete(at)
    order.push(at)
  }
  if (count > 0) take(0)
  while (left.size > 0) {
    const last = order.at(-1)!
    const opposite = (last + Math.floor(count / 2)) % count
    // Every second one is the opposite of the one before it; the others lie farthest from all that are tight.
    if (order.length % 2 === 1 && left.has(opposite)) take(opposite)
    else take(farthest([...left], order, count))
  }
  return order
}

function farthest(left: readonly number[], tight: readonly number[], count: number): number {
  const gap = (at: number) =>
    Math.min(
      ...tight.map((other) => {
        const d = Math.abs(at - other)
        return Math.min(d, count - d)
      }),
    )
  return left.reduce((best, at) => (gap(at) > gap(best) ? at : best))
}
