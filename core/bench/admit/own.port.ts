import { bodyOf, notAdmitted } from '../../log/index.ts'
import { portName } from '../../unit/families/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnPort: Admit<'own.port'> = (state, { data, body }, { sheets }) => {
  const here = bodyOf(state, body)
  if (!here.taught && !sheets) return notAdmitted('identify first')
  // What was noted of it would be lost with it.
  if (data.absent && here.ports[data.port]) return notAdmitted('was there', portName(data.port))
  return undefined
}
