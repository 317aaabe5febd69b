import type { BendTry } from '../physics/float/index.ts'
import { FLOAT_HEIGHT, type BodyState } from '../log/index.ts'

/**
 * The tries of a body's float: each bend with the reading before and the one after it. Several bends between two readings add up; a
 * bend after which nobody read says nothing, one that moved the reading the other way is left out (`wrongWay` has it).
 */
export function withTries(here: BodyState, sense: 1 | -1): BendTry[] {
  return allTries(here).filter((one) => sense * (one.after - one.before) * one.bend > 0)
}

/** Bends whose reading went the other way than they should: the question is which way it was bent. */
export const wrongWay = (here: BodyState, sense: 1 | -1): BendTry[] =>
  allTries(here).filter((one) => sense * (one.after - one.before) * one.bend < 0)

/** Each bend with its two readings, and what was bent since the last one. */
export function bendsOf(here: BodyState): { tries: BendTry[]; open: Omit<BendTry, 'after'> | null } {
  const readings = here.readings[FLOAT_HEIGHT]?.said ?? []
  const last = readings.at(-1)
  const since = here.ownBends.filter(({ after }) => after === readings.length)
  const bend = since.reduce((sum, { mm }) => sum + mm, 0)
  return {
    tries: allTries(here),
    open:
      last && bend !== 0
        ? { before: last.value, bend, bendSigma: Math.hypot(...since.map(({ sigma }) => sigma)) }
        : null,
  }
}

function allTries(here: BodyState): BendTry[] {
  const readings = here.readings[FLOAT_HEIGHT]?.said ?? []
  const between = new Map<number, { mm: number; variance: number }>()
  for (const { mm, sigma, after } of here.ownBends) {
    const known = between.get(after) ?? { mm: 0, variance: 0 }
    between.set(after, { mm: known.mm + mm, variance: known.variance + sigma ** 2 })
  }
  return [...between].flatMap(([after, { mm, variance }]) => {
    const before = readings[after - 1]
    const next = readings[after]
    if (!before || !next || mm === 0) return []
    const readingSigma = Math.max(before.sigma ?? 0, next.sigma ?? 0)
    return [
      {
        before: before.value,
        bend: mm,
        after: next.value,
        bendSigma: Math.sqrt(variance),
        ...(readingSigma > 0 ? { readingSigma } : {}),
      },
    ]
  })
}
