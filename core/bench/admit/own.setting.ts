import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnSetting: Admit<'own.setting'> = (state, { body }) =>
  bodyOf(state, body).taught ? undefined : notAdmitted('not taught')
