import { settingKey, type Sheets } from '../sheets/index.ts'
import { checkAgain } from './again.ts'
import type { SheetsByBody } from './kind.ts'
import { jobNeeds } from './needs.ts'
import { bodiesOf, bodyKey, bodyNumbers, bodyOf, lastSaid, type JobState } from './state.ts'
import { workSoFar } from './work.ts'

export interface GatePoint {
  /** names it in a `gate.passed` */
  point: string
  body: number
  title: string
  detail: string
  station: 'receive' | 'identify' | 'teardown' | 'parts' | 'build' | 'set' | 'return'
  passed: { why: string; second: string; by: string } | null
  /** whether a reason and a second name can let it pass */
  passable: boolean
}

type Point = Omit<GatePoint, 'passed'>

/** Everything that stands in the way of the return, listed by body, passed ones with their reasons. */
export function gatePoints(state: JobState, sheets: SheetsByBody): GatePoint[] {
  const bank = bodiesOf(state) > 1
  const points = bodyNumbers(state).flatMap((body): Point[] => {
    const own = sheets[body]
    if (!own)
      return [
        {
          point: bodyKey(body, 'identify'),
          body,
          title: bank ? `Body ${body} is not identified` : 'It is not identified',
          detail: 'its sheet says what it is set to',
          station: 'identify',
          passable: false,
        },
      ]
    return bodyPoints(state, own, body).map((point) => ({
      ...point,
      point: bodyKey(body, point.point),
      title: bank ? `Body ${body}: ${point.title}` : point.title,
    }))
  })
  return [...points, ...jobPoints(state)].map((point) => ({
    ...point,
    passed: state.passes[point.point] ?? null,
  }))
}

export const openPoints = (state: JobState, sheets: SheetsByBody): GatePoint[] =>
  gatePoints(state, sheets).filter((point) => !point.passed)

function bodyPoints(state: JobState, sheets: Sheets, body: number): Point[] {
  const here = bodyOf(state, body)
  const points: Point[] = []
  const add = (
    point: string,
    title: string,
    detail: string,
    station: GatePoint['station'],
    passable = true,
  ) => points.push({ point, body, title, detail, station, passable })
  const name = (code: string) =>
    sheets.build.positions.find((position) => position.code === code)?.name ?? code

  for (const setting of sheets.spec.settings) {
    if (!setting.set) continue
    const judged = here.readings[settingKey(setting)]
    const reading = lastSaid(judged)
    const key = settingKey(setting)
    if (!reading) add(`setting:${key}`, `${setting.name} is not set`, `wants ${setting.asWritten}`, 'set')
    else if (reading.verdict !== 'in')
      add(
        `setting:${key}`,
        `${setting.name} is ${reading.verdict}`,
        `stands at ${reading.raw}, wants ${setting.asWritten}`,
        'set',
      )
    else if (reading.specRev !== sheets.specRev)
      add(`setting:${key}`, `${setting.name}: check again`, 'it was judged by another sheet', 'set')
    if (judged?.differ)
      add(`differ:${key}`, `Two people differ on ${setting.name}`, 'a third reading settles it', 'set')
  }
  for (const code of Object.keys(here.off)) {
    if (!here.on[code])
      add(
        `tray:${code}`,
        `${name(code)} lies in tray ${here.off[code]!.tray}`,
        'it came off and is not on',
        'build',
      )
    const position = sheets.build.positions.find((p) => p.code === code)
    const judged = here.findings[code]
    const finding = lastSaid(judged)
    if (!finding && !position?.always)
      add(`finding:${code}`, `${name(code)} has no verdict`, 'it came off unjudged', 'teardown')
    else if (finding && !finding.sure)
      add(`finding:${code}`, `${name(code)}: the measurement is doubtful`, finding.sentence, 'teardown')
    if (judged?.differ)
      add(`differ:${code}`, `Two people differ on ${name(code)}`, 'a third judgement settles it', 'teardown')
    if (finding?.disposition === 'repair' && !finding.overridden && here.on[code]?.from === 'old')
      add(`repair:${code}`, `${name(code)} wanted repair`, finding.sentence, 'build')
  }
  for (const need of jobNeeds(state, sheets, body))
    if (need.standing !== 'on' && (here.off[need.position] || need.kind === 'finding'))
      add(`need:${need.position}`, `${need.name} is still needed`, need.why, 'parts')
  for (const item of checkAgain(state, sheets, body))
    if (item.what !== 'reading')
      add(
        `again:${item.key}`,
        `${item.name}: check again`,
        item.why,
        item.what === 'order' ? 'parts' : 'teardown',
      )
  return points
}

function jobPoints(state: JobState): Point[] {
  const points: Point[] = []
  const add = (
    point: string,
    title: string,
    detail: string,
    station: GatePoint['station'],
    passable = true,
  ) => points.push({ point, body: 1, title, detail, station, passable })
  const { estimate } = state
  const work = workSoFar(state)
  if (estimate && !estimate.agreed)
    add('estimate', 'The estimate has no yes yet', 'ask the customer, and note who said it', 'receive')
  else if (estimate?.agreed && !estimate.agreed.yes)
    add('estimate', 'The customer said no to the estimate', `${estimate.agreed.who} said it`, 'receive')
  else if (estimate && work && work.totalMinor > estimate.amountMinor)
    add(
      `estimate:${estimate.entry}`,
      'The work went beyond the estimate',
      'a new estimate with its yes, or a reason and a second name',
      'receive',
    )
  if (!state.answer && state.opened && state.opened.complaint.symptom !== 'none: overhaul')
    add('complaint', 'The complaint is not answered', 'explained by what, or not explained', 'return', false)
  add('proof', 'Not bench-proved here', 'proving has no station yet: a reason and a second name', 'return')
  return points
}
