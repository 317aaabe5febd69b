import { workingConditions } from '../../sheets/conditions/index.ts'
import { bodyOf, lastSaid, type JobState, seqOf } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { HARSHNESS } from './cure.ts'
import { judgeMeasured } from './registry.ts'

/** A part that was measured and passed, and by the sheet and the supply in force would not. */
export interface Rejudged {
  position: string
  name: string
  why: string
}

/**
 * What was measured of a part and found good enough, judged anew: by a list number that was corrected since, or a supply that was told
 * since, it may be another size or bear too little. A part that was renewed since, or is left against its rule, is none of them.
 */
export function rejudged(state: JobState, sheets: Sheets, body = 1): Rejudged[] {
  const here = bodyOf(state, body)
  const conditions = workingConditions(state.opened ?? undefined, sheets.spec)
  return sheets.build.positions.flatMap((position): Rejudged[] => {
    const { code, name, deciding } = position
    const finding = lastSaid(here.findings[code])
    const on = here.on[code]
    const renewed =
      on !== undefined && on.from !== 'old' && finding && seqOf(state, on.entry) > seqOf(state, finding.entry)
    if (!deciding || !finding?.measured || finding.overridden !== null || renewed) return []
    const now = judgeMeasured(position, deciding, finding.measured, sheets.spec, conditions)
    if (isRefusal(now)) return [{ position: code, name, why: `${finding.raw}: ${now.refused.why}` }]
    // Another fuel can make doubtful what was right for the one before.
    return HARSHNESS.indexOf(now.disposition) > HARSHNESS.indexOf(finding.ruled) ||
      (finding.sure && !now.sure)
      ? [{ position: code, name, why: `${finding.raw} judged again: ${now.sentence}` }]
      : []
  })
}
