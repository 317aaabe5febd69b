import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnPart: Admit<'own.part'> = (state, { data, body }) => {
  const here = bodyOf(state, body)
  if (!here.taught) return notAdmitted('not taught')
  if (data.absent && here.off[data.position]) return notAdmitted('was there', data.name)
  return undefined
}
