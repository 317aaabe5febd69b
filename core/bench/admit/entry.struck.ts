import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitEntryStruck: Admit<'entry.struck'> = (_state, { corrects }) =>
  corrects ? undefined : notAdmitted('corrects')
