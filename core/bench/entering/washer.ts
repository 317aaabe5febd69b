import { bodyOf, type JobState } from '../../log/index.ts'
import type { BuildSheet } from '../../sheets/index.ts'

/**
 * The washer under the seat as it lies now, mm: as it was measured when it went on, else the one that the last height reading asked for, once washer or seat went on again after
 * it. null where none was changed on this job, and the sheet's lies there.
 */
export function fittedWasher(state: JobState, build: BuildSheet, body = 1): number | null {
  const here = bodyOf(state, body)
  const code = ['seat.washer', 'seat'].find((name) => build.positions.some((p) => p.code === name))
  const on = code === undefined ? undefined : here.on[code]
  if (!on) return null
  if (on.thicknessMm !== null) return on.thicknessMm
  const at = (entry: string) => state.log.findIndex(({ id }) => id === entry)
  const fitted = at(on.entry)
  const said = here.readings['float.height/none']?.said ?? []
  const asked = [...said]
    .reverse()
    .find(({ shown, entry }) => shown?.remedy?.action === 'change washer' && at(entry) < fitted)
  return asked?.shown?.remedy?.amount ?? null
}
