import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitProofAnswered: Admit<'proof.answered'> = (state, { data, body }, { sheets, standing }) => {
  const position = sheets?.build.positions.find(({ code }) => code === data.position)
  if (standing) return undefined
  if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, data.position)
  return bodyOf(state, body).on[data.position]
    ? undefined
    : notAdmitted('not on', position?.name ?? data.position)
}
