import { stationNamed, type StationName } from '../../base/stations/index.ts'
import { bodiesOf, bodyNumbers, bodyOf, lastSaid, type JobState, type SheetsByBody } from '../../log/index.ts'
import { waitsFor } from '../../plan/needs/index.ts'
import { settingsInOrder } from '../../judge/settings/index.ts'
import { settingKey, teardownOrder } from '../../sheets/index.ts'
import { whereItHangs } from './hang.ts'
import { stations, viewOf } from './registry.ts'
import { times } from './set.ts'
import { capital } from '../../base/words/index.ts'

/**
 * Where you left off, for somebody who comes back after weeks: what is off, what is out, what was tried, what it waits for. One
 * line, the body that it hangs with.
 */
export function whereWasI(state: JobState, all: SheetsByBody): string {
  const { body: number, line } = whereItHangs(state, all)
  const sheets = all[number]
  const body = bodyOf(state, number)
  if (!sheets || state.closed || state.returned) return capital(line)
  const order = teardownOrder(sheets.build)
  const lying = order.filter((position) => body.off[position.code] && !body.on[position.code])
  const facts: string[] = []
  const cover = lying.find((position) => position.kind === 'cover')
  if (cover) facts.push(`${cover.name.toLowerCase()} off`)
  const last = lying
    .filter((position) => position !== cover)
    .sort((a, b) => body.off[b.code]!.at.localeCompare(body.off[a.code]!.at))[0]
  if (last) facts.push(`${last.name.toLowerCase()} out`)
  if (lying.length > facts.length) facts.push(`${lying.length} in the trays`)
  const renewed = (code: string) => body.on[code] !== undefined && body.on[code].from !== 'old'
  const bad = Object.entries(body.findings).filter(([code, judged]) => {
    const { disposition } = lastSaid(judged)!
    return (disposition === 'replace' || disposition === 'condemn') && !renewed(code)
  }).length
  if (bad) facts.push(`${bad} to be replaced`)
  const open = settingsInOrder(sheets.spec).find((setting) => {
    const reading = lastSaid(body.readings[settingKey(setting)])
    return reading && reading.shown.verdict !== 'in'
  })
  if (open) {
    const said = body.readings[settingKey(open)]!.said
    facts.push(`${open.name.toLowerCase()} tried ${times(said.length)}, last ${said.at(-1)!.raw}`)
  }
  const waiting = waitsFor(state)
  if (waiting.length) facts.push(`waits for ${waiting.join(', ')}`)
  if (facts.length === 0) return capital(line)
  const said = facts.slice(0, 5).join(', ')
  return capital(bodiesOf(state) > 1 ? `carburetor ${number} of ${bodiesOf(state)}: ${said}` : said)
}

export interface NextThing {
  body: number
  station: StationName
  what: string
}

/**
 * The next thing that anyone can do on the job now: what waits for parts is passed over for whatever does not. Null where all
 * that is left is to wait.
 */
export function nextThing(state: JobState, all: SheetsByBody): NextThing | null {
  if (!state.opened || state.closed || state.returned) return null
  const here = whereItHangs(state, all).body
  const bank = bodiesOf(state) > 1
  for (const body of [here, ...bodyNumbers(state).filter((number) => number !== here)].filter(
    (number) => !bodyOf(state, number).ended,
  )) {
    const view = viewOf(state, all, body)
    const station = stations.find((one) => one.canGoOn(view))
    if (station)
      return {
        body,
        station: station.name,
        what: `${stationNamed(station.name).doing}${bank ? `, carburetor ${body}` : ''}`,
      }
  }
  if (!state.answer && state.opened.complaint.symptom !== 'none: overhaul')
    return { body: here, station: 'return', what: 'answer the complaint' }
  if (waitsFor(state).length) return null
  return { body: here, station: 'return', what: 'clear the open items' }
}
