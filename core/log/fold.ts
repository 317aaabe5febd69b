import type { Entry } from './entry.ts'
import { current, kindList, kinds } from './kinds/index.ts'
import { standings } from './standings.ts'
import type { BodyState, JobState } from './state.ts'

export { standings, type EntryStanding } from './standings.ts'

const slices = kindList.map((kind) => (kind as { slice?: { job?: object; body?: object } }).slice ?? {})
const blank = Object.freeze(Object.assign({}, ...slices.map(({ body }) => body)) as BodyState)
const blankJob = Object.assign({}, ...slices.map(({ job }) => job)) as Partial<JobState>

/** A job of which the log has nothing yet: each kind's slice as it is while nothing was entered. */
export const emptyJob = (job: string): JobState =>
  ({ ...blankJob, job, seq: 0, log: [], bodies: {}, blank }) as JobState

/** The alive entries in the domain's order: a replacement stands at its root's place. Strikes are left out. */
export function standingEntries(log: readonly Entry[]): Entry[] {
  if (log.every((entry) => !entry.corrects)) return [...log]
  const alive = standings(log)
  const byId = new Map(log.map((entry) => [entry.id, entry]))
  const root = (entry: Entry): number => {
    let here = entry
    while (here.corrects) {
      const target = byId.get(here.corrects)
      if (!target) break
      here = target
    }
    return here.seq
  }
  return log
    .filter((entry) => entry.kind !== 'entry.struck' && alive.get(entry.id) === 'alive')
    .map((entry) => ({ entry, place: root(entry) }))
    .sort((a, b) => a.place - b.place || a.entry.seq - b.entry.seq)
    .map(({ entry }) => entry)
}

/** The state that a log tells, worked out from its beginning. Kinds that this program does not know are kept and passed over. */
export function fold(job: string, log: readonly Entry[]): JobState {
  let state = emptyJob(job)
  for (const entry of standingEntries(log)) state = applyOne(state, entry)
  return { ...state, log: [...log], seq: log.at(-1)?.seq ?? 0 }
}

/**
 * The state of a longer log: what is new is stepped over where `state` is the state of its beginning, else all is folded. Costs
 * what is new, not what is there.
 */
export function growTo(state: JobState, log: readonly Entry[]): JobState {
  const known = state.log.length
  const same = known <= log.length && (known === 0 || log[known - 1]?.id === state.log[known - 1]!.id)
  if (!same) return fold(state.job, log)
  return known === log.length ? state : stepAll(state, log.slice(known))
}

/** One more entry: a step, or a new fold where it corrects something. */
export function step(state: JobState, entry: Entry): JobState {
  const log = [...state.log, entry]
  if (entry.corrects) return fold(state.job, log)
  return { ...applyOne(state, entry), log, seq: entry.seq }
}

/** Many entries in order; without a correction among them the log is copied once. */
export function stepAll(state: JobState, entries: readonly Entry[]): JobState {
  const log = [...state.log, ...entries]
  if (entries.some((entry) => entry.corrects)) return fold(state.job, log)
  let next = state
  for (const entry of entries) next = applyOne(next, entry)
  return { ...next, log, seq: log.at(-1)?.seq ?? 0 }
}

function applyOne(state: JobState, entry: Entry): JobState {
  const kind = kinds.get(entry.kind)
  if (!kind || entry.v > kind.version) return state
  return kind.apply(state, entry.v === kind.version ? entry : current(entry))
}
