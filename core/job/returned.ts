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
