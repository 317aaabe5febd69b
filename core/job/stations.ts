import { teardownOrder } from '../build/index.ts'
import { settingKey, settingsInOrder, type Sheets } from '../sheets/index.ts'
import { gatePoints } from './gate.ts'
import type { StationName } from './kind.ts'
import { kinds } from './kinds/index.ts'
import { jobNeeds } from './needs.ts'
import { bodyOf, lastSaid, type JobState } from './state.ts'

export type StationState = 'none' | 'begun' | 'done' | 'waits' | 'again'

export interface Station {
  name: StationName
  title: string
  /** the key that opens it, its place among all ten */
  number: number
}

export const stations: readonly Station[] = [
  { name: 'receive', title: 'Receive', number: 1 },
  { name: 'identify', title: 'Identify', number: 2 },
  { name: 'asfound', title: 'As found', number: 3 },
  { name: 'teardown', title: 'Teardown', number: 4 },
  { name: 'parts', title: 'Parts', number: 6 },
  { name: 'build', title: 'Build', number: 7 },
  { name: 'set', title: 'Set', number: 8 },
  { name: 'return', title: 'Return', number: 0 },
]

/** Where each station of the job stands. */
export function stationStates(
  state: JobState,
  sheets: Sheets | undefined,
): Record<StationName, StationState> {
  const body = bodyOf(state)
  const states: Record<StationName, StationState> = {
    receive: state.opened ? 'done' : 'none',
    identify: body.ident
      ? 'done'
      : Object.keys(body.marks).length + Object.keys(body.features).length > 0
        ? 'begun'
        : 'none',
    asfound: 'none',
    teardown: 'none',
    parts: 'none',
    build: 'none',
    set: 'none',
    return: state.returned ? 'done' : Object.keys(state.passes).length > 0 || state.answer ? 'begun' : 'none',
  }
  if (!sheets) return states
  const outside = sheets.spec.settings.filter((setting) => setting.asFoundAt === 'outside').map(settingKey)
  states.asfound = teardownUnlocked(state, sheets)
    ? 'done'
    : progress(outside.filter((key) => asFoundDone(state, key)).length, outside.length)
  const order = teardownOrder(sheets.build)
  states.teardown = progress(order.filter((position) => body.off[position.code]).length, order.length)
  const off = order.filter((position) => body.off[position.code])
  const needs = jobNeeds(state, sheets)
  if (off.length > 0 && states.teardown === 'done') {
    if (needs.every((need) => need.standing === 'on' || need.standing === 'here')) states.parts = 'done'
    else if (needs.some((need) => need.standing === 'ordered')) states.parts = 'waits'
    else states.parts = state.orders.length > 0 ? 'begun' : 'none'
  } else if (state.orders.length > 0)
    states.parts = state.orders.every((order) => order.arrived) ? 'begun' : 'waits'
  states.build = progress(off.filter((position) => body.on[position.code]).length, order.length)
  const settings = sheets.spec.settings.filter((setting) => setting.set)
  const readings = settings.map((setting) => lastSaid(body.readings[settingKey(setting)]))
  states.set = progress(
    readings.filter(
      (reading, i) => reading?.verdict === 'in' || state.passes[`setting:${settingKey(settings[i]!)}`],
    ).length,
    settings.length,
    readings.some((reading) => reading),
  )
  if (readings.some((reading) => reading && reading.specRev !== sheets.specRev)) states.set = 'again'
  return states
}

/** Whether the outside is noted (or skipped with reasons), or somebody said why teardown may begin without it. */
export function teardownUnlocked(state: JobState, sheets: Sheets): boolean {
  if (bodyOf(state).unlocked) return true
  return sheets.spec.settings
    .filter((setting) => setting.asFoundAt === 'outside')
    .every((setting) => asFoundDone(state, settingKey(setting)))
}

const asFoundDone = (state: JobState, key: string): boolean =>
  key in bodyOf(state).asFound || key in bodyOf(state).asFoundSkipped

function progress(done: number, all: number, begun = done > 0): StationState {
  if (all > 0 && done >= all) return 'done'
  return begun ? 'begun' : 'none'
}

/** Where the job hangs: at the station of its last bench entry if that is unfinished, else at the next unfinished one. */
export function currentStation(state: JobState, sheets: Sheets | undefined): StationName {
  const states = stationStates(state, sheets)
  for (let i = state.log.length - 1; i >= 0; i--) {
    const station = kinds.get(state.log[i]!.kind)?.station
    if (!station || station === 'job') continue
    if (states[station] !== 'done' && states[station] !== 'none') return station
    break
  }
  if (states.parts === 'waits') return 'parts'
  return stations.find((station) => states[station.name] !== 'done')?.name ?? 'return'
}

/** Where it stands, in one line. */
export function standingLine(state: JobState, sheets: Sheets | undefined): string {
  if (state.closed) return `closed: ${state.closed.why}`
  if (state.returned) return 'returned with its sheet'
  const body = bodyOf(state)
  if (!sheets)
    return Object.keys(body.marks).length ? 'mark read, not yet identified' : 'just arrived, nothing read yet'
  const station = currentStation(state, sheets)
  const order = teardownOrder(sheets.build)
  const off = order.filter((position) => body.off[position.code] && !body.on[position.code]).length
  switch (station) {
    case 'asfound': {
      const outside = sheets.spec.settings.filter((setting) => setting.asFoundAt === 'outside')
      const left = outside.filter((setting) => !asFoundDone(state, settingKey(setting)))
      return `as found: ${outside.length - left.length} of ${outside.length} noted`
    }
    case 'teardown':
      return `teardown: ${off} of ${order.length} off`
    case 'parts': {
      const waiting = state.orders.filter((o) => !o.arrived)
      const needs = jobNeeds(state, sheets).filter(
        (need) => need.standing !== 'on' && need.standing !== 'here',
      )
      return waiting.length
        ? `waits for ${waiting.flatMap((o) => o.lines.filter((line) => line.what !== 'shelf').map((line) => line.code)).join(', ')}`
        : `${needs.length} needs to cover`
    }
    case 'build':
      return `building: ${off} still in the trays`
    case 'set': {
      const open = settingsInOrder(sheets.spec).find(
        (setting) => lastSaid(body.readings[settingKey(setting)])?.verdict !== 'in',
      )
      const tries = open ? (body.readings[settingKey(open)]?.said.length ?? 0) : 0
      return open
        ? `${open.name.toLowerCase()} ${tries ? `tried ${tries === 1 ? 'once' : `${tries} times`}` : 'is next'}`
        : 'all set'
    }
    case 'return': {
      const open = gatePoints(state, sheets).filter((point) => !point.passed).length
      return open ? `${open} ${open === 1 ? 'point' : 'points'} before it may go` : 'ready, sheet can be made'
    }
    default:
      return 'identified'
  }
}
