import { kinds } from '../../log/kinds/index.ts'
import {
  bodiesOf,
  bodyNumbers,
  bodyOf,
  type JobState,
  type SheetsByBody,
  stationOfKind,
} from '../../log/index.ts'
import { openPoints } from './gate.ts'
import type { StationName } from '../../base/stations/index.ts'
import { stations, stationsByName, stationStates, viewOf } from './registry.ts'
import type { StationState } from './station.ts'

/** Where one body stands: at the station of its last bench entry if that is unfinished, else at the next unfinished one. */
export function currentStation(state: JobState, all: SheetsByBody, body = 1): StationName {
  const states = stationStates(state, all, body)
  for (let i = state.log.length - 1; i >= 0; i--) {
    const entry = state.log[i]!
    const kind = kinds.get(entry.kind)
    const station = stationOfKind(entry.kind)
    if (!kind || !station || (kind.ofBody && (entry.body ?? 1) !== body)) continue
    if (states[station] !== 'done' && states[station] !== 'none') return station
    break
  }
  if (states.parts === 'waits') return 'parts'
  return stations.find((station) => states[station.name] !== 'done')?.name ?? 'return'
}

export interface Hanging {
  body: number
  station: StationName
  state: StationState
  line: string
}

/** Where the job hangs on the rack: with the body that was worked on last, or the next one that is unfinished. */
export function whereItHangs(state: JobState, all: SheetsByBody): Hanging {
  const last = state.log.findLast((entry) => kinds.get(entry.kind)?.ofBody)?.body ?? 1
  const alive = bodyNumbers(state).filter((body) => !bodyOf(state, body).ended)
  const bodies = alive.includes(last) ? [last, ...alive.filter((body) => body !== last)] : alive
  const body = bodies.find((number) => currentStation(state, all, number) !== 'return') ?? bodies[0] ?? last
  const station = currentStation(state, all, body)
  return {
    body,
    station,
    state: stationStates(state, all, body)[station],
    line: standingLine(state, all, body, station),
  }
}

/** Where it stands, in one line; of a bank the line says which body. */
function standingLine(state: JobState, all: SheetsByBody, body: number, station: StationName): string {
  if (state.closed) return `closed: ${state.closed.why}`
  if (state.returned) return 'returned with its sheet'
  const view = viewOf(state, all, body)
  const { sheets, here } = view
  const line = sheets
    ? stationsByName[station].line({ ...view, sheets }, () => openPoints(state, all).length)
    : Object.keys(here.marks).length
      ? 'mark read, not identified yet'
      : 'just arrived, no reading yet'
  return bodiesOf(state) > 1 && station !== 'return' ? `${body} of ${bodiesOf(state)}: ${line}` : line
}
