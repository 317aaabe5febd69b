import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitPartOff: Admit<'part.off'> = (state, { data, body }, { sheets, standing }) => {
  const here = bodyOf(state, body)
  const position = sheets?.build.positions.find((p) => p.code === data.position)
  const name = position?.name ?? data.position
  if (sheets && !position && !standing) return notAdmitted('position', sheets.build.listNumber, data.position)
  if (position?.stays && !standing) return notAdmitted('stays', name)
  if (here.off[data.position] && !here.on[data.position])
    return notAdmitted('off twice', name, here.off[data.position]!.by, here.off[data.position]!.tray)
  return undefined
}
