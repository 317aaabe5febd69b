import type { StationName } from '../base/stations/index.ts'
import type { Entry, UnsentEntry } from './entry.ts'
import { current, isNewer, kinds } from './kinds/index.ts'
import { standings } from './standings.ts'
import type { JobState } from './state.ts'

/** An entry's line in the history. */
export function sentenceOf(
  entry: Pick<UnsentEntry, 'kind' | 'v' | 'data'>,
  name: (position: string) => string = (code) => code,
  money: (minor: number) => string = (minor) => `${minor} minor units`,
): string {
  const kind = kinds.get(entry.kind)
  return kind && !isNewer(entry)
    ? kind.sentence(current(entry).data, name, money)
    : 'something that a newer version wrote'
}

/** What stands in the place of an entry that was corrected or struck already. */
export function replacement(state: JobState, id: string): Entry | undefined {
  let here = state.log.find((entry) => entry.id === id)
  const standing = standings(state.log)
  while (here && standing.get(here.id) !== 'alive') {
    const target = here.id
    here = state.log.findLast(
      (entry) =>
        entry.corrects === target && entry.kind !== 'entry.struck' && standing.get(entry.id) !== 'struck',
    )
  }
  return here
}

/** The station where a kind of entry is made; undefined for what belongs to the job as a whole. */
export const stationOfKind = (kind: string): StationName | undefined => kinds.get(kind)?.station
