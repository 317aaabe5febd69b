import { isRefusal } from '../base/refusal/index.ts'
import { ownId } from './aliases.ts'
import type { Catalogue } from './catalogue.ts'
import { rank } from './rank.ts'

export interface Halves {
  upper: { place: string; id: string; p: number }
  lower: { place: string; id: string; p: number }
}

const UPPER = ['plate', 'cover']
const LOWER = ['body', 'base']
/** Below this a half's mark says too little to accuse the other. */
const SURE = 0.6

/**
 * Whether cover and body belong together: the marks of each half are ranked alone. Null where one half bears no mark, says too
 * little, or both say the same list number. `marks` by their place on the casting.
 */
export function twoHalves(
  catalogue: Catalogue,
  marks: Readonly<Record<string, string>>,
  maker: string | null,
): Halves | null {
  const best = (places: readonly string[]) => {
    for (const place of places) {
      const text = marks[place]
      if (!text) continue
      const ranked = rank(catalogue, { marks: [text], maker, features: {}, sigma: {} })
      if (isRefusal(ranked)) continue
      const first = ranked.ranking[0]
      if (first && first.p >= SURE) return { place, id: ownId(first.id), p: first.p }
    }
    return null
  }
  const upper = best(UPPER)
  const lower = best(LOWER)
  return upper && lower && upper.id !== lower.id ? { upper, lower } : null
}
