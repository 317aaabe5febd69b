import { looksOf } from '../../judge/asfound/index.ts'
import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitAsFoundSeen: Admit<'asfound.seen'> = (_state, { data }, { sheets, standing }) =>
  !sheets || standing || looksOf(sheets).some(({ code }) => code === data.look)
    ? undefined
    : notAdmitted('no such look', sheets.spec.listNumber)
