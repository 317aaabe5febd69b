import type { Entry } from './entry.ts'
import type { JobState } from './state.ts'

const entriesOf = new WeakMap<JobState['log'], Map<string, Entry>>()
/** An entry of the log by its id; undefined where it is not there. */
export function entryOf(state: JobState, id: string | undefined): Entry | undefined {
  let known = entriesOf.get(state.log)
  if (!known) {
    known = new Map(state.log.map((entry) => [entry.id, entry]))
    entriesOf.set(state.log, known)
  }
  return id === undefined ? undefined : known.get(id)
}

/** The place of an entry in the log; 0 where it is not there. */
export const seqOf = (state: JobState, entry: string | undefined): number => entryOf(state, entry)?.seq ?? 0

/**
 * Whether an act came after what shows something, or before it and unseen by whoever showed it: a test that was made offline does not
 * outlive a cover that somebody else lifted meanwhile. Evidence is of the moment that its window knew (`saw`); entries of before name
 * none, and count as seen when they were taken.
 */
export function isUnseenBy(state: JobState, act: string, evidence: string): boolean {
  const done = entryOf(state, act)
  const shown = entryOf(state, evidence)
  if (!done || !shown) return false
  if (done.seq > shown.seq) return true
  return shown.saw !== undefined && done.seq > shown.saw && done.by !== shown.by
}
