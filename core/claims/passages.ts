import { passagePlanOf } from '../families/index.ts'
import { bodyOf, type BodyState, type JobState } from '../job/state.ts'
import { diagnose, mapOf, standingOf } from '../passages/index.ts'
import { isRefusal } from '../refusal/index.ts'
import type { Sheets } from '../sheets/schemas.ts'
import { claimId, type Claim } from './claim.ts'

/** Blows that still count: those after the last cleaning. What was blocked before it says nothing of now. */
export const countingBlows = (here: BodyState) => here.blows.slice(here.cleaned.at(-1)?.after ?? 0)

/** Each passage was shown to be free since it was last cleaned: by blows, none of which says otherwise. */
export function passageClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  const plan = passagePlanOf(sheets)
  const blows = countingBlows(here)
  const told = blows.length ? diagnose(mapOf(plan, state.opened?.complaint ?? null), blows) : null
  return plan.passages.map(({ id, name }): Claim => {
    const named = {
      id: claimId('passage', body, id),
      body,
      of: 'passage' as const,
      subject: id,
      name,
      station: 'clean' as const,
    }
    const standing = told === null || isRefusal(told) ? 'open' : standingOf(told[id]!, blows.length)
    if (standing === 'free') return { ...named, state: 'shown', shownBy: [], why: '', next: '' }
    return {
      ...named,
      state: standing === 'blocked' ? 'contradicted' : 'open',
      shownBy: [],
      why: standing === 'blocked' ? 'the blows say that it is blocked' : 'no blow shows it free',
      next: standing === 'blocked' ? 'clean it and blow again' : 'blow it and watch where it comes out',
    }
  })
}
