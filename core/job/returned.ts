import { daysBetween } from '../days/index.ts'
import { current } from './kinds/index.ts'
import type { JobState } from './state.ts'

export interface AfterReturn {
  /** A for the sheet that it went back with, then one letter for each correction */
  letter: string
  corrections: { seq: number; entry: JobState['log'][number] }[]
}

/** The sheet's revision: what was corrected after the return, in order. Null while it is not returned. */
export function afterReturn(state: JobState): AfterReturn | null {
  if (!state.returned) return null
  const from = state.log.find((entry) => entry.id === state.returned!.entry)?.seq ?? state.seq
  const corrections = state.log
    .filter((entry) => entry.seq > from && entry.corrects)
    .map((entry) => ({ seq: entry.seq, entry: current(entry) }))
  return { letter: letterOf(corrections.length), corrections }
}

// A … Z, then AA as a drawing's revisions go on.
const letterOf = (n: number): string =>
  n < 26 ? String.fromCharCode(65 + n) : letterOf(Math.floor(n / 26) - 1) + letterOf(n % 26)

/**
 * Whether a job that comes back is within what the shop stands by: returned on a local date, today, and the days that it says. Null where
 * it says nothing (0 days), or the job never went back.
 */
export function warrantyOf(
  returnedOn: string | null,
  today: string,
  days: number,
): { within: boolean; words: string } | null {
  if (returnedOn === null || days <= 0) return null
  const since = daysBetween(returnedOn, today)
  const within = since <= days
  const ago = since === 0 ? 'today' : since === 1 ? 'yesterday' : `${since} days ago`
  return {
    within,
    words: within
      ? `Went back ${ago}: within the ${days} days that the shop stands by its work.`
      : `Went back ${ago}, ${since - days} ${since - days === 1 ? 'day' : 'days'} past the ${days} that the shop stands by its work.`,
  }
}
