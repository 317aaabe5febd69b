import { jobNeeds } from '../../plan/needs/index.ts'
import { dueBefore } from '../../judge/work/index.ts'
import { teardownOrder } from '../../sheets/index.ts'
import { claimsAt, progress, type Station } from './station.ts'

const MINUTES_A_PART = 3

export const build: Station = {
  name: 'build',
  state(view) {
    const { here, sheets } = view
    if (!sheets) return 'none'
    const joints = claimsAt(view, 'joint')
    const asked = joints.filter(({ state, subject }) => state !== 'out of scope' || here.off[subject])
    return progress(
      asked.filter((claim) => here.off[claim.subject] && here.on[claim.subject]).length,
      asked.length,
      asked.some(({ subject }) => here.on[subject]),
    )
  },
  line({ state, here, sheets, body }) {
    const lying = teardownOrder(sheets.build).filter(
      (position) => here.off[position.code] && !here.on[position.code],
    )
    const next = lying.at(-1)
    const due = next && dueBefore(state, sheets, next, body)[0]
    return due
      ? `building: ${due.name.toLowerCase()} before the ${next.name.toLowerCase()}`
      : `building: ${lying.length} parts still in trays`
  },
  minutes: ({ here, sheets }) =>
    sheets
      ? teardownOrder(sheets.build).filter((position) => !here.on[position.code]).length * MINUTES_A_PART
      : 0,
  canGoOn({ state, sheets, here, body }) {
    if (!sheets) return false
    // What goes on first must be here first: the stack is built from the bottom.
    const first = teardownOrder(sheets.build).findLast(({ code }) => here.off[code] && !here.on[code])
    return (
      first !== undefined &&
      !jobNeeds(state, sheets, body).some(
        (need) => need.position === first.code && need.standing === 'ordered',
      )
    )
  },
}
