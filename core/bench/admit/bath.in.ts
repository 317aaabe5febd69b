import { bodyOf, notAdmitted } from '../../log/index.ts'
import { washOf } from '../../plan/baths/index.ts'
import type { Admit } from './admit.ts'

export const admitBathIn: Admit<'bath.in'> = (state, { data, body }, { sheets, standing }) => {
  if (standing) return undefined
  const here = bodyOf(state, body)
  for (const code of data.positions) {
    const position = sheets?.build.positions.find((one) => one.code === code)
    if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, code)
    const name = position?.name ?? code
    if (!here.off[code] || here.on[code]) return notAdmitted('still on', name)
    const bath = here.baths[code]
    if (bath?.out === null) return notAdmitted('in the bath', name)
    if (!position) continue
    const wash = washOf(position)
    if (wash.bath === 'none') return notAdmitted('no bath', name, wash.why)
    if (data.celsius > wash.mostC) return notAdmitted('too hot', name, data.celsius, wash.mostC)
  }
  return undefined
}
