import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitFindingJudged: Admit<'finding.judged'> = (state, { data, body }, { sheets, standing }) => {
  const position = sheets?.build.positions.find((p) => p.code === data.position)
  if (standing && !position) return undefined
  if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, data.position)
  if (!bodyOf(state, body).off[data.position] && !position?.stays)
    return notAdmitted('still on', position?.name ?? data.position)
  return undefined
}
