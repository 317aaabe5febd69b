import { bodyOf, notAdmitted } from '../../log/index.ts'
import { isNeeded } from '../../sheets/index.ts'
import type { Admit } from './admit.ts'

/** Of a taught unit whatever came off; of a listed one what its sheet does not have, has otherwise, or has and is not there. */
export const admitOwnPart: Admit<'own.part'> = (state, { data, body, by }, { sheets, standing }) => {
  const here = bodyOf(state, body)
  if (data.absent && here.off[data.position]) return notAdmitted('was there', data.name)
  if (here.taught || standing) return undefined
  if (!sheets) return notAdmitted('identify first')
  const listed = sheets.build.positions.find(({ code }) => code === data.position)
  if (data.absent && listed && isNeeded(listed)) return notAdmitted('cannot lack', listed.name)
  if (data.second === by) return notAdmitted('second')
  const twin = sheets.build.positions.find(
    ({ code, name }) => code !== data.position && name.toLowerCase() === data.name.toLowerCase(),
  )
  return twin && !data.absent ? notAdmitted('name taken', twin.name) : undefined
}
