import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitPartStuck: Admit<'part.stuck'> = (state, { data, body }, { sheets, standing }) => {
  const position = sheets?.build.positions.find(({ code }) => code === data.position)
  if (standing) return undefined
  if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, data.position)
  const here = bodyOf(state, body)
  const off = here.off[data.position]
  return off && !here.on[data.position]
    ? notAdmitted('off twice', position?.name ?? data.position, off.by, off.tray)
    : undefined
}
