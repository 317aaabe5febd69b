import { readMark } from '../../identify/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitMarkRead: Admit<'mark.read'> = (_state, { data }) => {
  const read = readMark(data.text)
  return isRefusal(read) ? notAdmitted('mark', read.refused.why) : undefined
}
