import { isSettled } from '../../claims/index.ts'
import { proofsOf, proofStanding, type Proof } from '../../judge/proof/index.ts'
import { teardownOrder } from '../../sheets/index.ts'
import { claimsAt, minutesOf, progress, type SheetedView, type Station } from './station.ts'

const openOf = (view: SheetedView): Proof[] =>
  proofsOf(view).filter((proof) => !['proved', 'fitted'].includes(proofStanding(view, proof).state))

export const prove: Station = {
  name: 'prove',
  state(view) {
    const { sheets, here } = view
    if (!sheets) return 'none'
    const tests = claimsAt(view, 'test').filter(({ state }) => state !== 'out of scope')
    if (tests.some(({ state }) => state === 'void' || state === 'contradicted')) return 'again'
    const begun = Object.keys(here.proven).length + Object.keys(here.whenFitted).length > 0
    return progress(tests.filter(isSettled).length, tests.length, begun)
  },
  line(view) {
    const open = openOf(view)
    if (open.length === 0) return 'proved'
    const first = open[0]!
    const standing = proofStanding(view, first)
    const name = first.name.toLowerCase()
    return standing.state === 'void'
      ? `${name}: test it again, ${standing.opened.toLowerCase()} opened or set since`
      : standing.state === 'short'
        ? `${name}: test it again, ${standing.why}`
        : standing.state === 'failed'
          ? `${name} failed`
          : `${name} not tested yet`
  },
  minutes: (view) => minutesOf(claimsAt(view, 'test')),
  canGoOn: (view) =>
    view.sheets !== undefined &&
    teardownOrder(view.sheets.build).every(({ code }) => !view.here.off[code] || view.here.on[code]) &&
    prove.state(view) !== 'done',
}
