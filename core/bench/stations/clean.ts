import { isSettled, countingBlows } from '../../claims/index.ts'
import { passagePlanOf } from '../../unit/families/index.ts'
import { uncured } from '../../judge/findings/index.ts'
import {
  diagnose,
  mapOf,
  branchStandingOf,
  type Blow,
  type BranchMap,
} from '../../diagnose/passages/index.ts'
import type { Passage, PassagePlan } from '../../unit/passages/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { teardown } from './teardown.ts'
import { claimsAt, type SheetedView, type Station } from './station.ts'

const MINUTES_A_PART = 4

export interface PassageView {
  plan: PassagePlan
  map: BranchMap
  /** the blows that count: since the last cleaning */
  blows: readonly Blow[]
  /** P(blocked) of each branch */
  blocked: Readonly<Record<string, number>>
  /** the branches that are taken for blocked, the surest first */
  suspects: readonly Passage[]
  /** whether every branch was shown to be free */
  proven: boolean
  /** why the blows cannot be put together; empty where they can */
  contradiction: string
}

/** What the blows say of a body's passages, the complaint as their prior. */
export function passageView({
  state,
  here,
  sheets,
}: Pick<SheetedView, 'state' | 'here' | 'sheets'>): PassageView {
  const plan = passagePlanOf(sheets)
  const map = mapOf(plan, state.opened?.complaint ?? null)
  const blows = countingBlows(here)
  const told = diagnose(map, blows)
  const blocked = isRefusal(told)
    ? Object.fromEntries(map.branches.map(({ id, prior }) => [id, prior]))
    : told
  const suspects = plan.passages
    .filter(({ id }) => branchStandingOf(blocked[id]!, blows.length) === 'blocked')
    .sort((a, b) => blocked[b.id]! - blocked[a.id]!)
  return {
    plan,
    map,
    blows,
    blocked,
    suspects,
    proven: plan.passages.every(({ id }) => branchStandingOf(blocked[id]!, blows.length) === 'free'),
    contradiction: isRefusal(told) ? told.refused.why : '',
  }
}

/** Parts whose verdict is to clean them, still open. */
const toClean = ({ state, sheets, body }: SheetedView) =>
  uncured(state, sheets, body).filter(({ wants, left }) => wants === 'clean' && !left)

export const clean: Station = {
  name: 'clean',
  state(view) {
    const { sheets, here } = view
    if (!sheets) return 'none'
    const sheeted = { ...view, sheets }
    const left = toClean(sheeted).length + (here.blows.length ? passageView(sheeted).suspects.length : 0)
    if (left > 0) return here.blows.length + here.cleaned.length > 0 ? 'begun' : 'none'
    // Each passage is shown free, or two people let it be; a job that began before this was asked is done once it is apart.
    if (view.state.opened?.evidence !== false) {
      const passages = claimsAt(view, 'passage')
      if (passages.some(({ state }) => state === 'void')) return 'again'
      return passages.every(isSettled) ? 'done' : here.blows.length > 0 ? 'begun' : 'none'
    }
    if (here.blows.length > 0 || teardown.state(view) === 'done') return 'done'
    return 'none'
  },
  line(view) {
    const parts = toClean(view)
    const { suspects } = passageView(view)
    return (
      [
        ...(parts.length ? [`${parts.length} to clean and measure again`] : []),
        ...(suspects.length ? [`${suspects[0]!.name.toLowerCase()} blocked`] : []),
      ].join(', ') || 'clean'
    )
  },
  minutes: (view) => (view.sheets ? toClean({ ...view, sheets: view.sheets }).length * MINUTES_A_PART : 0),
  canGoOn: (view) => clean.state(view) !== 'done',
}
