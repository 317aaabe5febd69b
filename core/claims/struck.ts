import type { Disposition } from '../findings/conditions.ts'
import { standings } from '../job/standings.ts'
import { bodyOf, type JobState } from '../job/state.ts'
import { seqOf } from '../work/moments.ts'

/** An adverse verdict that somebody took back once others had gone on, and that nothing has settled since. */
export interface TakenBack {
  position: string
  by: string
  condemned: boolean
}

/** As much of a judgement as is asked here; its kind has had one version. */
interface Judged {
  position: string
  shown: { disposition: Disposition }
  override: { disposition: Disposition } | null
}

const ADVERSE: ReadonlySet<string> = new Set(['replace', 'condemn'])

/**
 * Adverse verdicts of a body that were struck or corrected and still speak against its parts. A slip that the same hand takes back before
 * anything else was entered was none; what was taken back later is settled by a measurement, by somebody else's look, or by a new part.
 */
export function takenBack(state: JobState, body: number): TakenBack[] {
  if (!state.log.some(({ corrects }) => corrects)) return []
  const alive = standings(state.log)
  const here = bodyOf(state, body)
  return state.log.flatMap((entry): TakenBack[] => {
    if (entry.kind !== 'finding.judged' || (entry.body ?? 1) !== body || alive.get(entry.id) === 'alive')
      return []
    const { position, shown, override } = entry.data as Judged
    const worst = [shown.disposition, override?.disposition ?? shown.disposition]
    if (!worst.some((one) => ADVERSE.has(one))) return []
    const taker = state.log.find(({ corrects }) => corrects === entry.id)
    const between = state.log.some(
      ({ seq, kind, by }) =>
        taker && seq > entry.seq && seq < taker.seq && !(kind === 'entry.struck' && by === entry.by),
    )
    if (!taker || (taker.by === entry.by && !between)) return []
    const settled = (here.findings[position]?.said ?? []).some(
      (one) => seqOf(state, one.entry) > entry.seq && (one.measured !== null || one.by !== entry.by),
    )
    const on = here.on[position]
    const renewed = on !== undefined && on.from !== 'old' && seqOf(state, on.entry) > entry.seq
    return settled || renewed ? [] : [{ position, by: entry.by, condemned: worst.includes('condemn') }]
  })
}
