import { bodyOf, type JobState, type SheetsByBody } from '../../log/index.ts'
import { asfound } from './asfound.ts'
import { build } from './build.ts'
import { clean } from './clean.ts'
import { identify } from './identify.ts'
import type { StationName } from '../../base/stations/index.ts'
import { parts } from './parts.ts'
import { prove } from './prove.ts'
import { receive } from './receive.ts'
import { returnStation } from './return.ts'
import { set } from './set.ts'
import type { BodyView, Station, StationState } from './station.ts'
import { teardown } from './teardown.ts'

/** Every station by its name, in the order of the work. */
export const stationsByName: Readonly<Record<StationName, Station>> = {
  receive,
  identify,
  asfound,
  teardown,
  clean,
  parts,
  build,
  set,
  prove,
  return: returnStation,
}

export const stations: readonly Station[] = Object.values(stationsByName)

export const viewOf = (state: JobState, all: SheetsByBody, body: number): BodyView => ({
  state,
  all,
  body,
  here: bodyOf(state, body),
  sheets: all[body],
})

/** Where each station stands for one body. */
export function stationStates(
  state: JobState,
  all: SheetsByBody,
  body = 1,
): Record<StationName, StationState> {
  const view = viewOf(state, all, body)
  return Object.fromEntries(stations.map((station) => [station.name, station.state(view)])) as Record<
    StationName,
    StationState
  >
}
