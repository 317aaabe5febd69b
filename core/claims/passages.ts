import { daysBetween } from '../base/days/index.ts'
import { passagePlanOf } from '../unit/families/index.ts'
import { bodyOf, type BodyState, type JobState } from '../log/index.ts'
import { diagnose, mapOf, branchStandingOf } from '../diagnose/passages/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { stated, way, type Claim } from './claim.ts'

/** Days after which a passage that was blown free says nothing any more: what lies about corrodes, dries up and is visited. */
const REST_DAYS = 60

/** Blows that still count: those after the last cleaning. What was blocked before it says nothing of now. */
export const countingBlows = (here: BodyState) => here.blows.slice(here.cleaned.at(-1)?.after ?? 0)

/** Whole days of the calendar from one moment to a later one. */
const daysFrom = (from: string, to: string): number => daysBetween(from.slice(0, 10), to.slice(0, 10))

/**
 * Each passage was shown to be free since it was last cleaned, by blows none of which says otherwise, and not so long ago that it says
 * nothing. `at` is the moment for which it is asked.
 */
export function passageClaims(state: JobState, sheets: Sheets, body: number, at: string): Claim[] {
  const here = bodyOf(state, body)
  const plan = passagePlanOf(sheets)
  const blows = countingBlows(here)
  const told = blows.length ? diagnose(mapOf(plan, state.opened?.complaint ?? null), blows) : null
  const last = blows.at(-1)
  // Nobody is asked twice for the days in which it stood finished at the customer's.
  const rested =
    last !== undefined &&
    !state.returned &&
    state.opened?.evidence !== false &&
    daysFrom(last.at, at) > REST_DAYS
  return plan.passages.map(({ id, name, symptom }): Claim => {
    const standing = told === null || isRefusal(told) ? 'open' : branchStandingOf(told[id]!, blows.length)
    const blocked = standing === 'blocked'
    const ways = blocked
      ? [
          way(
            'contradicted',
            `passage:${id}`,
            `${name} seems blocked`,
            `clean it and blow again; it would mean: ${symptom}`,
          ),
        ]
      : standing !== 'free'
        ? [way('open', 'unblown', name, 'no air test shows it clear', { group: 'unblown' })]
        : rested
          ? [
              way('void', 'rested', name, `blown more than ${REST_DAYS} days ago`, {
                group: 'rested',
                since: last.entry,
              }),
            ]
          : []
    return stated({
      of: 'passage',
      body,
      subject: id,
      name,
      station: 'clean',
      shownBy: blows.map(({ entry }) => entry),
      why: blocked
        ? 'the air tests say it is blocked'
        : standing === 'free'
          ? `it was blown more than ${REST_DAYS} days ago`
          : 'no air test shows it clear',
      next: blocked ? 'clean it and blow again' : 'blow in air and watch where it comes out',
      minutes: 1,
      ways,
    })
  })
}
