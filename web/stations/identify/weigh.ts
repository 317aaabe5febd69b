import {
  absentFor,
  asOne,
  DEFAULT_MODEL,
  nextLook,
  rank,
  twoHalves,
  type Catalogue,
  type NextLook,
  type UnitSeen,
} from '@ekrond/core/identify'
import { isRefusal } from '@ekrond/core/base/refusal'

const MOST_SHOWN = 4
const LEAST_SHOWN = 0.002

/** What is known of a unit when its list number is asked for. */
export interface Asked {
  seen: UnitSeen
  /** the marks that were entered, by their places */
  byPlace: Readonly<Record<string, string>>
}

/** What a library makes of it: the chances, what would settle most, and whether two halves are of two numbers. */
export interface Weighed {
  ranking: ReturnType<typeof asOne>
  pNone: number
  look: NextLook | null
  /** why a mark cannot be read; empty where it can */
  refused: string
  halves: ReturnType<typeof twoHalves>
}

export function weigh(catalogue: Catalogue, { seen, byPlace }: Asked): Weighed {
  const model = { ...DEFAULT_MODEL, absent: absentFor(catalogue.candidates.length) }
  const ranked = rank(catalogue, seen, model)
  const halves = twoHalves(catalogue, byPlace, seen.maker ?? null)
  if (isRefusal(ranked)) return { ranking: [], pNone: 0, look: null, refused: ranked.refused.why, halves }
  return {
    ranking: asOne(ranked.ranking)
      .filter(({ p }) => p > LEAST_SHOWN)
      .slice(0, MOST_SHOWN),
    pNone: ranked.pNone,
    look: nextLook(catalogue, ranked.posterior, seen, model),
    refused: '',
    halves,
  }
}
