import { seqOf, type Entry, standings, bodyOf, type JobState } from '../log/index.ts'
import type { Disposition } from '../sheets/index.ts'

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
  const here = bodyOf(state, body)
  return adverseTaken(state.log).flatMap((one): TakenBack[] => {
    if (one.body !== body) return []
    const settled = (here.findings[one.position]?.said ?? []).some(
      ({ entry, measured, by }) => seqOf(state, entry) > one.seq && (measured !== null || by !== one.by),
    )
    const on = here.on[one.position]
    const renewed = on !== undefined && on.from !== 'old' && seqOf(state, on.entry) > one.seq
    return settled || renewed ? [] : [{ position: one.position, by: one.by, condemned: one.condemned }]
  })
}

interface Taken extends TakenBack {
  body: number
  seq: number
}

// A log is never changed: what was taken back in it is looked for once.
const ofLogs = new WeakMap<JobState['log'], readonly Taken[]>()

/** Every adverse verdict of a log that was struck or corrected, a slip that was taken back at once left out. */
function adverseTaken(log: JobState['log']): readonly Taken[] {
  const known = ofLogs.get(log)
  if (known) return known
  const takers = new Map<string, Entry>()
  for (const entry of log) if (entry.corrects) takers.set(entry.corrects, entry)
  const taken: Taken[] = []
  const alive = takers.size > 0 ? standings(log) : null
  for (const entry of takers.size > 0 ? log : []) {
    const taker = entry.kind === 'finding.judged' ? takers.get(entry.id) : undefined
    if (!taker || alive?.get(entry.id) === 'alive') continue
    const { position, shown, override } = entry.data as Judged
    const said = [shown.disposition, override?.disposition ?? shown.disposition]
    if (!said.some((one) => ADVERSE.has(one))) continue
    const between = log.some(
      ({ seq, kind, by }) =>
        seq > entry.seq && seq < taker.seq && !(kind === 'entry.struck' && by === entry.by),
    )
    if (taker.by === entry.by && !between) continue
    taken.push({
      position,
      by: entry.by,
      condemned: said.includes('condemn'),
      body: entry.body ?? 1,
      seq: entry.seq,
    })
  }
  ofLogs.set(log, taken)
  return taken
}
