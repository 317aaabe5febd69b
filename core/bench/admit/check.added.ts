import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

/** A check that the sheet does not ask for yet, of parts that are there. */
export const admitCheckAdded: Admit<'check.added'> = (state, { data, body }, { sheets, standing }) => {
  if (standing) return undefined
  if (!sheets) return notAdmitted('identify first')
  const isOwn = bodyOf(state, body).addedChecks[data.code] !== undefined
  const twin = (sheets.spec.proofs?.more ?? []).find(
    ({ code, name }) =>
      (code === data.code && !isOwn) ||
      (code !== data.code && name.toLowerCase() === data.name.toLowerCase()),
  )
  if (twin && !data.absent) return notAdmitted('name taken', twin.name)
  const strange = data.rests.find((one) => !sheets.build.positions.some((position) => position.code === one))
  return strange ? notAdmitted('position', sheets.build.listNumber, strange) : undefined
}
