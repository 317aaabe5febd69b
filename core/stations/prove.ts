import { nothingProved, proofsOf, proofStanding, type Proof } from '../proof/index.ts'
import type { JobState } from '../job/state.ts'
import { teardownOrder } from '../work/index.ts'
import { point, progress, type Point, type SheetedView, type Station } from './station.ts'

/** Bench minutes by way of proving; a weep is watched while something else is done. */
const MINUTES = {
  hold: 4,
  lifts: 2,
  level: 4,
  weep: 3,
  pump: 2,
  travel: 3,
  seen: 1,
  alike: 6,
  ports: 0,
} as const

const openOf = (view: SheetedView): Proof[] =>
  proofsOf(view).filter((proof) => !['proved', 'fitted'].includes(proofStanding(view, proof).state))

/** Whether somebody let the job go without any proof. */
const wentWithout = (state: JobState) => nothingProved(state) && state.passes.proof !== undefined

export const prove: Station = {
  name: 'prove',
  title: 'Prove',
  number: 9,
  kinds: ['proof.measured', 'proof.fitted'],
  doing: 'prove it on the bench',
  state(view) {
    const { sheets, state } = view
    if (!sheets) return 'none'
    if (wentWithout(state)) return 'done'
    const sheeted = { ...view, sheets }
    const standings = proofsOf(sheeted).map((proof) => proofStanding(sheeted, proof))
    if (
      standings.some(
        (one) => one.state === 'void' || one.state === 'short' || (one.state === 'failed' && one.said),
      )
    )
      return 'again'
    const begun = standings.some((one) => one.said !== null || one.state === 'fitted')
    return progress(
      standings.filter((one) => one.state === 'proved' || one.state === 'fitted').length,
      standings.length,
      begun,
    )
  },
  line(view) {
    const open = openOf(view)
    if (open.length === 0) return 'proved'
    const first = open[0]!
    const standing = proofStanding(view, first)
    const name = first.name.toLowerCase()
    return standing.state === 'void'
      ? `${name}: prove it again, ${standing.opened.toLowerCase()} opened or set since`
      : standing.state === 'short'
        ? `${name}: prove it again, ${standing.why}`
        : standing.state === 'failed'
          ? `${name} is not proved`
          : `${name} is to be proved`
  },
  minutes: (view) =>
    view.sheets && !wentWithout(view.state)
      ? openOf({ ...view, sheets: view.sheets }).reduce((sum, { how }) => sum + MINUTES[how], 0)
      : 0,
  canGoOn: (view) =>
    view.sheets !== undefined &&
    teardownOrder(view.sheets.build).every(({ code }) => !view.here.off[code] || view.here.on[code]) &&
    prove.state(view) !== 'done',
  points: (view) =>
    nothingProved(view.state) ? [] : openOf(view).flatMap((proof) => proofPoint(view, proof)),
  jobPoints: (state) =>
    nothingProved(state)
      ? [point('proof', 'Not bench-proved here', 'prove it, or a reason and a second name')]
      : [],
}

function proofPoint(view: SheetedView, proof: Proof): Point[] {
  // Each port has its own point at the return.
  if (proof.how === 'ports') return []
  const standing = proofStanding(view, proof)
  const named = `proof:${proof.key}`
  switch (standing.state) {
    case 'void':
      return [
        point(
          named,
          `${proof.name}: prove it again`,
          `${standing.opened.toLowerCase()} was opened or set since`,
        ),
      ]
    case 'short':
      return [point(named, `${proof.name}: prove it again`, standing.why)]
    case 'failed':
      return [point(named, `${proof.name} is not proved`, standing.said?.headline ?? `wants ${proof.wants}`)]
    default:
      return [point(named, `${proof.name} is not proved yet`, `wants ${proof.wants}`)]
  }
}
