import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnDimension: Admit<'own.dimension'> = (state, { body }) =>
  bodyOf(state, body).taught ? undefined : notAdmitted('not taught')
