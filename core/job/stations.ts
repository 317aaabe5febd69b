import { teardownOrder } from '../build/index.ts'
import { settingKey, settingsInOrder, type Sheets } from '../sheets/index.ts'
import { checkAgain } from './again.ts'
import { gatePoints } from './gate.ts'
import type { SheetsByBody, StationName } from './kind.ts'
import { kinds } from './kinds/index.ts'
import { jobNeeds } from './needs.ts'
import { bodiesOf, bodyNumbers, bodyOf, lastSaid, readBodyKey, type JobState } from './state.ts'

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

/** Where each station stands for one body. */
export function stationStates(
  state: JobState,
  sheets: Sheets | undefined,
  number = 1,
): Record<StationName, StationState> {
  const body = bodyOf(state, number)
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
  states.asfound = teardownUnlocked(state, sheets, number)
    ? 'done'
    : progress(outside.filter((key) => asFoundDone(state, key, number)).length, outside.length)
  const order = teardownOrder(sheets.build)
  states.teardown = progress(order.filter((position) => body.off[position.code]).length, order.length)
  const off = order.filter((position) => body.off[position.code])
  const needs = jobNeeds(state, sheets, number)
  const orders = ordersFor(state, number)
  if (off.length > 0 && states.teardown === 'done') {
    if (needs.every((need) => need.standing === 'on' || need.standing === 'here')) states.parts = 'done'
    else if (needs.some((need) => need.standing === 'ordered')) states.parts = 'waits'
    else states.parts = orders.length > 0 ? 'begun' : 'none'
  } else if (orders.length > 0) states.parts = orders.every((order) => order.arrived) ? 'begun' : 'waits'
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

const ordersFor = (state: JobState, body: number) =>
  state.orders.filter((order) =>
    order.lines.some((line) => line.serves.some((named) => readBodyKey(named).body === body)),
  )

/** Whether the outside is noted (or skipped with reasons), or somebody said why teardown may begin without it. */
export function teardownUnlocked(state: JobState, sheets: Sheets, body = 1): boolean {
  if (bodyOf(state, body).unlocked) return true
  return sheets.spec.settings
    .filter((setting) => setting.asFoundAt === 'outside')
    .every((setting) => asFoundDone(state, settingKey(setting), body))
}

const asFoundDone = (state: JobState, key: string, body: number): boolean =>
  key in bodyOf(state, body).asFound || key in bodyOf(state, body).asFoundSkipped

function progress(done: number, all: number, begun = done > 0): StationState {
  if (all > 0 && done >= all) return 'done'
  return begun ? 'begun' : 'none'
}

/** Where one body stands: at the station of its last bench entry if that is unfinished, else at the next unfinished one. */
export function currentStation(state: JobState, sheets: Sheets | undefined, body = 1): StationName {
  const states = stationStates(state, sheets, body)
  for (let i = state.log.length - 1; i >= 0; i--) {
    const entry = state.log[i]!
    const kind = kinds.get(entry.kind)
    if (!kind || kind.station === 'job' || (kind.ofBody && (entry.body ?? 1) !== body)) continue
    if (states[kind.station] !== 'done' && states[kind.station] !== 'none') return kind.station
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
export function whereItHangs(state: JobState, sheets: SheetsByBody): Hanging {
  const last = state.log.findLast((entry) => kinds.get(entry.kind)?.ofBody)?.body ?? 1
  const bodies = [last, ...bodyNumbers(state).filter((body) => body !== last)]
  const body = bodies.find((number) => currentStation(state, sheets[number], number) !== 'return') ?? last
  const station = currentStation(state, sheets[body], body)
  return {
    body,
    station,
    state: stationStates(state, sheets[body], body)[station],
    line: standingLine(state, sheets, body, station),
  }
}

/** Where it stands, in one line; of a bank the line says which body. */
function standingLine(state: JobState, sheets: SheetsByBody, number: number, station: StationName): string {
  if (state.closed) return `closed: ${state.closed.why}`
  if (state.returned) return 'returned with its sheet'
  const line = bodyLine(state, sheets, number, station)
  return bodiesOf(state) > 1 && station !== 'return' ? `${number} of ${bodiesOf(state)}: ${line}` : line
}

function bodyLine(state: JobState, all: SheetsByBody, number: number, station: StationName): string {
  const body = bodyOf(state, number)
  const sheets = all[number]
  if (!sheets)
    return Object.keys(body.marks).length ? 'mark read, not yet identified' : 'just arrived, nothing read yet'
  const order = teardownOrder(sheets.build)
  const off = order.filter((position) => body.off[position.code] && !body.on[position.code]).length
  switch (station) {
    case 'asfound': {
      const outside = sheets.spec.settings.filter((setting) => setting.asFoundAt === 'outside')
      const left = outside.filter((setting) => !asFoundDone(state, settingKey(setting), number))
      return `as found: ${outside.length - left.length} of ${outside.length} noted`
    }
    case 'teardown':
      return `teardown: ${off} of ${order.length} off`
    case 'parts': {
      const waiting = waitsFor(state)
      const needs = jobNeeds(state, sheets, number).filter(
        (need) => need.standing !== 'on' && need.standing !== 'here',
      )
      return waiting.length ? `waits for ${waiting.join(', ')}` : `${needs.length} needs to cover`
    }
    case 'build':
      return `building: ${off} still in the trays`
    case 'set': {
      const open = settingsInOrder(sheets.spec).find(
        (setting) => lastSaid(body.readings[settingKey(setting)])?.verdict !== 'in',
      )
      const tries = open ? (body.readings[settingKey(open)]?.said.length ?? 0) : 0
      if (open) return `${open.name.toLowerCase()} ${tries ? `tried ${times(tries)}` : 'is next'}`
      const again = checkAgain(state, sheets, number).length
      return again ? `${again} to check again by another sheet` : 'all set'
    }
    case 'return': {
      const open = gatePoints(state, all).filter((point) => !point.passed).length
      return open ? `${open} ${open === 1 ? 'point' : 'points'} before it may go` : 'ready, sheet can be made'
    }
    default:
      return 'identified'
  }
}

/** What has been ordered and has not arrived, by the names on the parcel. */
export const waitsFor = (state: JobState): string[] =>
  state.orders
    .filter((order) => !order.arrived)
    .flatMap((order) => order.lines.filter((line) => line.what !== 'shelf').map((line) => line.code))

export const times = (n: number): string => (n === 1 ? 'once' : `${n} times`)
