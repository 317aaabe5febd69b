import type { JobState } from './state.ts'

/** A pass by its point's name where it was given for what is seen now; what was passed at another value is open again. Passes of before name no value. */
export function passAs(
  state: JobState,
  point: string,
  value: string | null,
): JobState['passes'][string] | null {
  const pass = state.passes[point]
  if (!pass) return null
  const holds = value === null || pass.value === value || (pass.value === null && !state.opened?.evidence)
  return holds ? pass : null
}
