import { entryOf } from './entries.ts'
import type { JobState } from './state.ts'

/** The entry that opened a job again after what shows something had left the shop with it; null where it did not. */
export function leftSince(state: JobState, evidence: string): string | null {
  const { cameBack } = state
  if (!cameBack || state.returned) return null
  const back = entryOf(state, cameBack)
  const shown = entryOf(state, evidence)
  return back && shown && shown.seq < back.seq ? cameBack : null
}
