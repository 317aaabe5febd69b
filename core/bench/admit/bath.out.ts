import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitBathOut: Admit<'bath.out'> = (state, { data, body }, { sheets, standing }) => {
  if (standing) return undefined
  const here = bodyOf(state, body)
  const strange = data.positions.find((code) => here.baths[code]?.out !== null)
  return strange === undefined
    ? undefined
    : notAdmitted(
        'not in the bath',
        sheets?.build.positions.find(({ code }) => code === strange)?.name ?? strange,
      )
}
