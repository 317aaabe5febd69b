import type { Passage, PassagePlan } from './plan.ts'

/** What is drawn once more, larger: a circle on the unit, mm. */
export interface Detail {
  at: readonly [x: number, y: number]
  radius: number
}

/** A branch keeps its ends inside the circle, mm; less than this would show a bore and nothing around it. */
const ROUND = 2.5
const LEAST_MM = 5
/** Ports farther apart than this are told apart without help, mm. */
const APART = 14
/** A branch longer than this shows as well where it lies, mm. */
const MOST_MM = 13

type Point = readonly [x: number, y: number, r?: number]

function around(points: readonly Point[]): Detail {
  const xs = points.map(([x]) => x)
  const ys = points.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  return {
    at: [(x0 + x1) / 2, (y0 + y1) / 2],
    radius: Math.max(LEAST_MM, Math.hypot(x1 - x0, y1 - y0) / 2 + ROUND),
  }
}

/**
 * The place of a passage plan that is too small to be seen where it lies: the branch that is in question, or else two ports that lie
 * close to each other, of these the ones with the finest bores; null where nothing is that small.
 */
export function detailOf(
  { ports, passages }: PassagePlan,
  inQuestion?: Pick<Passage, 'line'>,
): Detail | null {
  if (inQuestion) {
    const its = around(inQuestion.line)
    if (its.radius <= MOST_MM) return its
    // A long branch narrows at the port it ends in.
    const end = inQuestion.line.at(-1)!
    return { at: [end[0], end[1]], radius: LEAST_MM + ROUND }
  }
  const boreAt = (code: string) =>
    Math.min(...passages.filter(({ from, to }) => from === code || to === code).map(({ bore }) => bore))
  const [finest] = ports
    .flatMap((one, i) => ports.slice(i + 1).map((other) => ({ one, other })))
    .filter(({ one, other }) => Math.hypot(one.at[0] - other.at[0], one.at[1] - other.at[1]) < APART)
    .sort((a, b) => boreAt(a.one.code) + boreAt(a.other.code) - boreAt(b.one.code) - boreAt(b.other.code))
  return finest ? around([finest.one.at, finest.other.at]) : null
}
