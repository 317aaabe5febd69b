import type { Candidate } from './candidate.ts'
import type { Ranked } from './rank.ts'

/** One list number with the other numbers that may stand on it: those that it took the place of, those that were merged into it. */
export interface Numbered extends Candidate {
  aliases?: readonly string[]
}

const BETWEEN = '\u0000'
/** How often a unit bears its number of today where it had others: older ones are met about as often together. */
const TODAY = 0.5

/** The list number that a candidate stands for. */
export const ownId = (id: string): string => id.split(BETWEEN)[0]!

/** The number that it bears instead of its own; undefined where it bears its own. */
const bearsOf = (id: string): string | undefined => id.split(BETWEEN)[1]

/** Each number that a unit may bear as a candidate of its own: half of its weight its number of today's, the rest its older ones'. */
export const withAliases = (rows: readonly Numbered[]): Candidate[] =>
  rows.flatMap(({ aliases = [], ...row }): Candidate[] =>
    aliases.length === 0
      ? [row]
      : [
          { ...row, weight: row.weight * TODAY },
          ...aliases.map((alias): Candidate => ({
            ...row,
            id: `${row.id}${BETWEEN}${alias}`,
            mark: alias,
            weight: (row.weight * (1 - TODAY)) / aliases.length,
          })),
        ],
  )

/** A ranking in which each list number stands once, with all its numbers' chances, and with the number that it likeliest bears. */
export function asOne(ranking: readonly Ranked[]): (Ranked & { bears?: string })[] {
  const byOwn = new Map<string, Ranked & { bears?: string }>()
  for (const one of ranking) {
    const id = ownId(one.id)
    const before = byOwn.get(id)
    const bears = bearsOf(one.id)
    if (before) byOwn.set(id, { ...before, p: before.p + one.p })
    else byOwn.set(id, { ...one, id, ...(bears === undefined ? {} : { bears }) })
  }
  return [...byOwn.values()].sort((a, b) => b.p - a.p)
}
