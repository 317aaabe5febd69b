import { bodyKey, bodyOf, type JobState } from '../log/index.ts'
import type { Claim, ClaimOf } from './claim.ts'

/** What may be left out of a job of named work. What was seen of the unit, its fuel, its supply and the complaint never are. */
const LEFT_OUT: ReadonlySet<ClaimOf> = new Set([
  'part',
  'renewal',
  'passage',
  'setting',
  'test',
  'port',
  'joint',
])
/** Tests that every unit is held to, whatever was asked for: nothing that leaks fuel goes out. */
const FLOOR: ReadonlySet<string> = new Set(['inlet', 'weep'])

/**
 * Whether a claim was not asked for: only named work was, and this neither is that work nor was opened by it. What leaks, what speaks
 * against itself and what was opened stays in.
 */
export function isOutOfScope(state: JobState, claim: Claim): boolean {
  const { scope } = state
  if (!scope || !LEFT_OUT.has(claim.of)) return false
  if (claim.of === 'test' && FLOOR.has(claim.subject.split('/')[0]!)) return false
  if (claim.ways.some(({ as, weight }) => weight === 'fatal' || as === 'contradicted')) return false
  const here = bodyOf(state, claim.body)
  const isTouched = (code: string) =>
    here.off[code] !== undefined ||
    here.findings[code] !== undefined ||
    scope.only.includes(bodyKey(claim.body, code))
  if (claim.of === 'passage')
    return here.blows.length + here.cleaned.length === 0 && !isTouched(claim.subject)
  // A setting that somebody took up, and a test that was begun, are asked for.
  return claim.of === 'setting' || claim.of === 'test' || claim.of === 'port'
    ? claim.shownBy.length === 0 && !claim.restsOn.some(isTouched) && !isTouched(claim.subject)
    : !isTouched(claim.subject)
}
