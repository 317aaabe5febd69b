import { type Entry, standings, type JobState, stationOfKind } from '../../log/index.ts'
import { kinds } from '../../log/kinds/index.ts'
import type { StationName } from '../../base/stations/index.ts'

const isAt = (entry: Entry, station: StationName, body: number): boolean => {
  const kind = kinds.get(entry.kind)
  return stationOfKind(entry.kind) === station && (!kind?.ofBody || (entry.body ?? 1) === body)
}

/** What an undo takes back: these hands' last entry at the station that stands. */
export function lastOwn(
  state: JobState,
  by: string | null,
  station: StationName,
  body = 1,
): Entry | undefined {
  const standing = standings(state.log)
  return state.log.findLast(
    (entry) => entry.by === by && isAt(entry, station, body) && standing.get(entry.id) === 'alive',
  )
}

/** What a redo strikes: these hands' last undo at the station, while they have entered nothing there since. */
export function lastUndone(
  state: JobState,
  by: string | null,
  station: StationName,
  body = 1,
): Entry | undefined {
  const standing = standings(state.log)
  const byId = new Map(state.log.map((entry) => [entry.id, entry]))
  for (let i = state.log.length - 1; i >= 0; i--) {
    const entry = state.log[i]!
    if (entry.by !== by) continue
    if (isAt(entry, station, body) && standing.get(entry.id) === 'alive') return undefined
    if (entry.kind !== 'entry.struck' || standing.get(entry.id) !== 'alive') continue
    const target = byId.get(entry.corrects!)
    if (target && isAt(target, station, body)) return entry
  }
  return undefined
}

/** The entries of the act that one belongs to, as they were made: each names the one before it. */
function actAround(log: readonly Entry[], entry: Entry): Entry[] {
  const act = [entry]
  for (let i = log.indexOf(entry) - 1; i >= 0 && act[0]!.after !== undefined; i--)
    if (log[i]!.id === act[0]!.after) act.unshift(log[i]!)
  for (let i = log.indexOf(entry) + 1; i < log.length; i++)
    if (log[i]!.after === act.at(-1)!.id) act.push(log[i]!)
  return act
}

const aliveLatestFirst = (state: JobState, entry: Entry | undefined): Entry[] => {
  if (!entry) return []
  const standing = standings(state.log)
  return actAround(state.log, entry)
    .filter((one) => standing.get(one.id) === 'alive' && one.by === entry.by)
    .reverse()
}

/** What an undo strikes, in order: the whole act of these hands' last entry at the station, a part off with its finding. */
export const lastOwnAct = (...at: Parameters<typeof lastOwn>): Entry[] =>
  aliveLatestFirst(at[0], lastOwn(...at))

/** What a redo strikes, in order: every strike of the last undo there. */
export const lastUndoneAct = (...at: Parameters<typeof lastUndone>): Entry[] =>
  aliveLatestFirst(at[0], lastUndone(...at)).filter((entry) => entry.kind === 'entry.struck')
