import { ENGINE_FEATURE, type Candidate } from './candidate.ts'
import type { Frequency } from './channel.ts'
import { ALPHABET, symbolsOf } from './mark.ts'
import { pack, type Packed } from './packed.ts'

/** What does not depend on a query, worked out once for a catalogue. */
export interface Catalogue {
  candidates: Candidate[]
  /** in columns and as a tree */
  packed: Packed
  priorTotal: number
  makers: Map<string, MakerModel>
  spreads: Map<string, Spread>
}

interface MakerModel {
  share: number
  /** by length of the mark: its share, and per place the frequency of symbols */
  lengths: { share: number; frequencies: Frequency[] }[]
}

export type Spread =
  | { kind: 'number'; mean: number; deviation: number }
  | { kind: 'category'; shares: Map<string, number>; count: number }

export function openCatalogue(candidates: Candidate[]): Catalogue {
  const symbols = candidates.map((candidate) => symbolsOf(candidate.mark))
  const priorTotal = candidates.reduce((sum, candidate) => sum + candidate.weight, 0)
  return {
    candidates,
    packed: pack(candidates, symbols),
    priorTotal,
    makers: makerModels(candidates, symbols),
    spreads: featureSpreads(candidates),
  }
}

function makerModels(candidates: Candidate[], symbols: number[][]): Map<string, MakerModel> {
  const makers = new Map<string, MakerModel>()
  const byMaker = groupBy(
    candidates.map((candidate, i) => ({ maker: candidate.maker, mark: symbols[i]! })),
    (entry) => entry.maker,
  )
  for (const [maker, entries] of byMaker) {
    const lengths = [...groupBy(entries, (entry) => entry.mark.length)].map(([length, same]) => ({
      share: same.length / entries.length,
      frequencies: Array.from({ length }, (_, place) => {
        const counts = new Float64Array(ALPHABET.length)
        for (const { mark } of same) counts[mark[place]!]! += 1
        return smoothed(counts)
      }),
    }))
    makers.set(maker, { share: entries.length / candidates.length, lengths })
  }
  return makers
}

/**
 * Shares out of counts, so that a symbol not met yet is unlikely and not impossible: together such symbols are as likely to come as
 * those were that were met once (Good and Turing), whichever it is.
 */
function smoothed(counts: Float64Array): Frequency {
  const met = [...counts].flatMap((count, symbol) => (count > 0 ? [{ symbol, count }] : []))
  const total = met.reduce((sum, { count }) => sum + count, 0)
  const unmet = counts.length - met.length
  const fresh = unmet === 0 ? 0 : (met.filter(({ count }) => count === 1).length + 1) / (total + 2)
  const each = unmet === 0 ? 0 : fresh / unmet
  return {
    each,
    met: met.map(({ symbol, count }) => ({ symbol, more: ((1 - fresh) * count) / total - each })),
  }
}

/** Barrels are counted: a wrong count is a slip of the eye, not a gauge's error. */
const isMeasured = (name: string): boolean => name.endsWith('Mm') || name === ENGINE_FEATURE

function featureSpreads(candidates: Candidate[]): Map<string, Spread> {
  const spreads = new Map<string, Spread>()
  const names = new Set(candidates.flatMap((candidate) => Object.keys(candidate.features)))
  for (const name of names) {
    const values = candidates
      .map((candidate) => candidate.features[name])
      .filter((value) => value !== undefined)
    if (isMeasured(name) && values.every((value) => typeof value === 'number')) {
      const mean = values.reduce((a, b) => a + b, 0) / values.length
      const variance =
        values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1)
      spreads.set(name, { kind: 'number', mean, deviation: Math.max(Math.sqrt(variance), 1e-3) })
    } else {
      const shares = new Map<string, number>()
      for (const value of values)
        shares.set(String(value), (shares.get(String(value)) ?? 0) + 1 / values.length)
      spreads.set(name, { kind: 'category', shares, count: shares.size })
    }
  }
  return spreads
}

function groupBy<T, K>(items: readonly T[], key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) {
    const group = groups.get(key(item))
    if (group) group.push(item)
    else groups.set(key(item), [item])
  }
  return groups
}
