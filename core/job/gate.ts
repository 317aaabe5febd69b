import { settingKey, type Sheets } from '../sheets/index.ts'
import { jobNeeds } from './needs.ts'
import { bodyOf, lastSaid, type JobState } from './state.ts'

export interface GatePoint {
  /** names it in a `gate.passed` */
  point: string
  title: string
  detail: string
  station: 'identify' | 'teardown' | 'parts' | 'build' | 'set' | 'return'
  passed: { why: string; second: string; by: string } | null
  /** whether a reason and a second name can let it pass */
  passable: boolean
}

/** Everything that stands in the way of the return, passed ones with their reasons. */
export function gatePoints(state: JobState, sheets: Sheets, body = 1): GatePoint[] {
  const here = bodyOf(state, body)
  const points: Omit<GatePoint, 'passed'>[] = []
  const add = (
    point: string,
    title: string,
    detail: string,
    station: GatePoint['station'],
    passable = true,
  ) => points.push({ point, title, detail, station, passable })
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
  if (!state.answer && state.opened && state.opened.complaint.symptom !== 'none: overhaul')
    add('complaint', 'The complaint is not answered', 'explained by what, or not explained', 'return', false)
  add('proof', 'Not bench-proved here', 'proving has no station yet: a reason and a second name', 'return')

  return points.map((point) => ({ ...point, passed: state.passes[point.point] ?? null }))
}

export const openPoints = (state: JobState, sheets: Sheets): GatePoint[] =>
  gatePoints(state, sheets).filter((point) => !point.passed)
