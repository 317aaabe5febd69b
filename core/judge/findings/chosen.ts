import { isRefusal } from '../../base/refusal/index.ts'
import { bodyOf, seqOf, type JobState } from '../../log/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import type { Position, Sheets } from '../../sheets/index.ts'
import { judgeMeasured } from './registry.ts'

/** How a size that was chosen for this job stands: it is not in, another one went in that nobody measured, it was measured and is right. */
export type ChosenStands = 'not in' | 'not measured' | 'in'

/**
 * Whether the size that was chosen for a position is in: by what was measured of what sits there now. A new part that went on since it
 * was chosen is that size only once it was measured. `sheets` are the job's, with what was chosen in place.
 */
export function chosenStands(
  state: JobState,
  sheets: Sheets,
  position: Position,
  body = 1,
): ChosenStands | null {
  const here = bodyOf(state, body)
  const chosen = here.chosen[position.code]
  if (!chosen || !position.deciding) return null
  const on = here.on[position.code]
  const seqOn = on && on.from !== 'old' ? seqOf(state, on.entry) : 0
  const measured = here.findings[position.code]?.said.findLast((one) => one.measured !== null)
  const isOfThisOne = measured !== undefined && seqOf(state, measured.entry) > seqOn
  if (isOfThisOne) {
    const conditions = workingConditions(state.opened ?? undefined, sheets.spec)
    const judged = judgeMeasured(position, position.deciding, measured.measured!, sheets.spec, conditions)
    if (!isRefusal(judged) && judged.sure) return judged.disposition === 'reuse' ? 'in' : 'not in'
  }
  return seqOn > seqOf(state, chosen.entry) ? 'not measured' : 'not in'
}
