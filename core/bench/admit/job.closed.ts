import { isSeen } from '../../base/limits/index.ts'
import { bodiesOf, bodyOf, isOnePersons, needsTwo, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitJobClosed: Admit<'job.closed'> = (state, { data, by }, { standing }) => {
  if (standing) return undefined
  // What ends otherwise than set and proved says why, for whoever gets it back.
  if (data.why !== 'not serviced' && !isSeen(data.words)) return notAdmitted('end', data.why)
  if (data.of !== null && data.of > bodiesOf(state)) return notAdmitted('body', data.of, bodiesOf(state))
  if (data.of !== null && bodyOf(state, data.of).ended)
    return notAdmitted('closed', bodyOf(state, data.of).ended!.why)
  if (data.second === by) return notAdmitted('second')
  // Given up by one pair of eyes only where there is no other.
  return needsTwo(data.why) && data.second === null && !isOnePersons(state, by)
    ? notAdmitted('two looks')
    : undefined
}
