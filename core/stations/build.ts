import { jointOf, jointWords, proofOf } from '../assembly/index.ts'
import { jobNeeds } from '../job/needs.ts'
import { nameOn } from '../sheets/schemas.ts'
import { dueBefore, teardownOrder } from '../work/index.ts'
import { point, progress, type Point, type Station } from './station.ts'
import { lower } from '../words/index.ts'

const MINUTES_A_PART = 3

export const build: Station = {
  name: 'build',
  title: 'Build',
  number: 7,
  kinds: ['part.on', 'fastener.turned', 'proof.answered'],
  doing: 'put it together',
  state({ here, sheets }) {
    if (!sheets) return 'none'
    const order = teardownOrder(sheets.build)
    return progress(
      order.filter((position) => here.off[position.code] && here.on[position.code]).length,
      order.length,
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
      : `building: ${lying.length} still in the trays`
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
  points: ({ state, here, sheets, body }) =>
    Object.keys(here.off).flatMap((code): Point[] => {
      const name = nameOn(sheets, code)
      const position = sheets.build.positions.find((one) => one.code === code)
      const joint = position ? jointOf(state, position, body) : null
      const several = (position?.quantity ?? 1) > 1
      const unproved = position !== undefined && proofOf(state, position, body) === 'not yet'
      return [
        ...(here.on[code]
          ? []
          : [
              point(
                `tray:${code}`,
                `${name} ${several ? 'lie' : 'lies'} in tray ${here.off[code]!.tray}`,
                several ? 'they came off and are not on' : 'it came off and is not on',
              ),
            ]),
        ...(joint && joint.phase !== null
          ? [
              point(
                `joint:${code}`,
                `${name}: ${jointWords(joint)}`,
                'a loose one leaks, or goes into the engine',
              ),
            ]
          : []),
        ...(unproved
          ? [point(`proof:${code}`, `${name}: not proved yet`, lower(position.proof.replace(/\.$/, '')))]
          : []),
      ]
    }),
}
