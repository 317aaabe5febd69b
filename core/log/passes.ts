import type { JobState } from './state.ts'

/** What a pass is bound to where nothing was seen yet: something that is seen later, good or bad, is another thing. */
export const NOTHING_SEEN = ''

/** A pass by its point's name where it was given for what is seen now; what was passed at another value is open again. Passes of before name no value. */
export function passAs(
  state: JobState,
  point: string,
  value: string | null,
): JobState['passes'][string] | null {
  const pass = state.passes[point]
  if (!pass) return null
  const unnamed = pass.value === null && (!state.opened?.evidence || value === NOTHING_SEEN)
  const holds = value === null || pass.value === value || unnamed
  return holds ? pass : null
}
