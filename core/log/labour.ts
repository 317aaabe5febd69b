import type { JobState } from './state.ts'

/** A longer pause between two entries of the same hands is not counted as work on this job. */
const LONGEST_PAUSE_MIN = 20

export interface WorkSoFar {
  minutes: number
  labourMinor: number
  partsMinor: number
  totalMinor: number
}

/**
 * What the job has cost so far, from its log alone: the time between two entries of the same hands up to twenty minutes, at the
 * hour's price that stood when it was estimated, and what was ordered. Null where no estimate was made.
 */
export function workSoFar(state: JobState): WorkSoFar | null {
  if (!state.estimate) return null
  const minutes = benchMinutes(state.log)
  const labourMinor = Math.round((minutes / 60) * state.estimate.hourMinor)
  const partsMinor = state.orders.reduce((sum, order) => sum + order.totalMinor, 0)
  return { minutes, labourMinor, partsMinor, totalMinor: labourMinor + partsMinor }
}

/** Minutes at the bench that a log shows. Times are the clients' own; hands whose clock runs backwards count nothing. */
export function benchMinutes(log: JobState['log']): number {
  const last = new Map<string, number>()
  let ms = 0
  for (const entry of log) {
    const at = Date.parse(entry.at)
    const pause = at - (last.get(entry.by) ?? at)
    if (pause > 0 && pause <= LONGEST_PAUSE_MIN * 60_000) ms += pause
    last.set(entry.by, at)
  }
  return Math.round(ms / 60_000)
}
