import { bodyOf, FLOAT_HEIGHT, lastSaid, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnBend: Admit<'own.bend'> = (state, { body }) =>
  lastSaid(bodyOf(state, body).readings[FLOAT_HEIGHT]) ? undefined : notAdmitted('no reading before')
