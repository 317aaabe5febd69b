import { daysBetween } from '../base/days/index.ts'
import { standings } from './standings.ts'
import { current } from './kinds/index.ts'
import type { JobState } from './state.ts'

export interface AfterReturn {
  /** A for the sheet that it went back with, then one letter for each correction */
  letter: string
  corrections: { seq: number; entry: JobState['log'][number] }[]
}

/**
 * The sheet's revision: one letter for each release and each correction after one, in order. What was released again after it was opened
 * again is the next letter, so that no two papers of a job bear the same one. Null while it is not returned.
 */
export function afterReturn(state: JobState): AfterReturn | null {
  if (!state.returned) return null
  const alive = standings(state.log)
  let letters = 0
  let out = false
  let corrections: AfterReturn['corrections'] = []
  for (const entry of state.log) {
    if (entry.kind === 'job.returned' && alive.get(entry.id) === 'alive') {
      letters += 1
      out = true
      corrections = []
    } else if (entry.kind === 'job.reopened') out = false
    else if (out && entry.corrects) {
      letters += 1
      corrections.push({ seq: entry.seq, entry: current(entry) })
    }
  }
  return { letter: letterOf(Math.max(0, letters - 1)), corrections }
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
