import { bodyOf, HEIGHT, lastSaid, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnBend: Admit<'own.bend'> = (state, { body }) =>
  lastSaid(bodyOf(state, body).readings[HEIGHT]) ? undefined : notAdmitted('no reading before')
