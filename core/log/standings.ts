import type { Entry } from './entry.ts'

export type EntryStanding = 'alive' | 'struck' | 'replaced'

/**
 * Which entries stand. Decided from the highest seq down, since a correction's target always lies lower: an entry is struck or
 * replaced while an alive entry names it. A replacement that was itself replaced still holds its target down; one that was
 * struck gives it back.
 */
export function standings(log: readonly Entry[]): Map<string, EntryStanding> {
  const result = new Map<string, EntryStanding>()
  for (let i = log.length - 1; i >= 0; i--) {
    const entry = log[i]!
    const standing = result.get(entry.id) ?? 'alive'
    result.set(entry.id, standing)
    if (!entry.corrects || standing === 'struck') continue
    if (entry.kind === 'entry.struck') {
      if (standing === 'alive') result.set(entry.corrects, 'struck')
    } else result.set(entry.corrects, 'replaced')
  }
  return result
}
