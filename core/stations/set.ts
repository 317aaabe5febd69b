import { checkAgain } from '../job/again.ts'
import { lastSaid, type BodyState } from '../job/state.ts'
import { settingsInOrder } from '../settings/registry.ts'
import { settingKey, type Sheets, type SettingSpec } from '../sheets/schemas.ts'
import { teardownOrder } from '../work/index.ts'
import { point, progress, type Point, type SheetedView, type Station } from './station.ts'

const MINUTES_A_SETTING = 6

/** Whether a setting stands in its band by the sheet in force. */
function settingHolds(here: BodyState, sheets: Sheets, setting: SettingSpec): boolean {
  const reading = lastSaid(here.readings[settingKey(setting)])
  return reading?.shown.verdict === 'in' && reading.specRev === sheets.specRev
}

export const set: Station = {
  name: 'set',
  title: 'Set',
  number: 8,
  kinds: ['reading.taken'],
  doing: 'set it',
  state({ state, here, sheets }) {
    if (!sheets) return 'none'
    const settings = settingsInOrder(sheets.spec)
    const readings = settings.map((setting) => lastSaid(here.readings[settingKey(setting)]))
    if (readings.some((reading) => reading && reading.specRev !== sheets.specRev)) return 'again'
    return progress(
      settings.filter(
        (setting, i) => readings[i]?.shown.verdict === 'in' || state.passes[`setting:${settingKey(setting)}`],
      ).length,
      settings.length,
      readings.some((reading) => reading),
    )
  },
  line({ state, here, sheets, body }) {
    const open = settingsInOrder(sheets.spec).find(
      (setting) => lastSaid(here.readings[settingKey(setting)])?.shown.verdict !== 'in',
    )
    const tries = open ? (here.readings[settingKey(open)]?.said.length ?? 0) : 0
    if (open) return `${open.name.toLowerCase()} ${tries ? `tried ${times(tries)}` : 'is next'}`
    const again = checkAgain(state, sheets, body).length
    return again ? `${again} to check again by another sheet` : 'all set'
  },
  minutes: ({ here, sheets }) =>
    sheets
      ? settingsInOrder(sheets.spec).filter((setting) => !settingHolds(here, sheets, setting)).length *
        MINUTES_A_SETTING
      : 0,
  canGoOn: (view) =>
    view.sheets !== undefined &&
    teardownOrder(view.sheets.build).every(({ code }) => !view.here.off[code] || view.here.on[code]) &&
    set.state(view) !== 'done',
  points: (view) => settingsInOrder(view.sheets.spec).flatMap((setting) => settingPoints(view, setting)),
}

function settingPoints({ here, sheets }: SheetedView, setting: SettingSpec): Point[] {
  const key = settingKey(setting)
  const judged = here.readings[key]
  const reading = lastSaid(judged)
  const named = `setting:${key}`
  const points: Point[] = []
  if (!reading) points.push(point(named, `${setting.name} is not set`, `wants ${setting.asWritten}`))
  else if (reading.shown.verdict !== 'in')
    points.push(
      point(
        named,
        `${setting.name} is ${reading.shown.verdict}`,
        `stands at ${reading.raw}, wants ${setting.asWritten}`,
      ),
    )
  else if (reading.specRev !== sheets.specRev)
    points.push(point(named, `${setting.name}: check again`, 'it was judged by another sheet'))
  if (judged?.differ)
    points.push(point(`differ:${key}`, `Two people differ on ${setting.name}`, 'a third reading settles it'))
  return points
}

export const times = (n: number): string => (n === 1 ? 'once' : `${n} times`)
