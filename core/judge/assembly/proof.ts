import { bodyOf, type JobState, seqOf } from '../../log/index.ts'
import type { Position } from '../../sheets/index.ts'

/** Whether the check that proves a step was answered, since its part went on last. */
export type StepCheck = 'held' | 'not yet' | 'none'

/** `none` where the part is not on again, or its sheet asks for no check. */
export function proofOf(state: JobState, position: Position, body = 1): StepCheck {
  const here = bodyOf(state, body)
  const on = here.on[position.code]
  if (!on || position.proof === '') return 'none'
  const later = here.proofs[position.code]
  if (later && seqOf(state, later.entry) > seqOf(state, on.entry)) return later.answer
  return on.proof === 'none' ? 'not yet' : on.proof
}
