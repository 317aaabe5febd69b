import { checkAgain } from '../job/again.ts'
import { bodyKey, lastSaid } from '../job/state.ts'
import { judgedByOther, settingKey, type SettingSpec } from '../sheets/index.ts'
import { conditionPoints } from './conditions.ts'
import { foundWrong, holdsNow, liesOutside, settingsToSet, teardownOrder, voidedBy } from '../work/index.ts'
import { point, progress, type Point, type SheetedView, type Station } from './station.ts'

const MINUTES_A_SETTING = 6

export const set: Station = {
  name: 'set',
  title: 'Set',
  number: 8,
  kinds: ['reading.taken', 'own.bend'],
  doing: 'set it',
  state({ state, here, sheets, body }) {
    if (!sheets) return 'none'
    const settings = settingsToSet(sheets, here)
    const readings = settings.map((setting) => lastSaid(here.readings[settingKey(setting)]))
    const again = settings.some((setting, i) => {
      const reading = readings[i]
      if (!reading) return false
      if (judgedByOther(reading, setting, sheets)) return true
      return reading.shown.verdict === 'in' && voidedBy(state, sheets, setting, body) !== null
    })
    if (again) return 'again'
    const done = settings.filter(
      (setting) =>
        holdsNow(state, sheets, setting, body) ||
        state.passes[bodyKey(body, `setting:${settingKey(setting)}`)] !== undefined,
    )
    return progress(
      done.length,
      settings.length,
      readings.some((reading) => reading),
    )
  },
  line({ state, here, sheets, body }) {
    const settings = settingsToSet(sheets, here)
    const open = settings.find(
      (setting) => lastSaid(here.readings[settingKey(setting)])?.shown.verdict !== 'in',
    )
    const tries = open ? (here.readings[settingKey(open)]?.said.length ?? 0) : 0
    if (open) return `${open.name.toLowerCase()} ${tries ? `tried ${times(tries)}` : 'is next'}`
    const bySheet = checkAgain(state, sheets, body).length
    if (bySheet) return `${bySheet} to check again by another sheet`
    const opened = settings.filter((setting) => !holdsNow(state, sheets, setting, body)).length
    return opened ? `${opened} to check again, opened since` : 'all set'
  },
  minutes: ({ state, here, sheets, body }) =>
    sheets
      ? settingsToSet(sheets, here).filter((setting) => !holdsNow(state, sheets, setting, body)).length *
        MINUTES_A_SETTING
      : 0,
  canGoOn: (view) =>
    view.sheets !== undefined &&
    teardownOrder(view.sheets.build).every(({ code }) => !view.here.off[code] || view.here.on[code]) &&
    set.state(view) !== 'done',
  points: (view) => [
    ...settingsToSet(view.sheets, view.here).flatMap((setting) => settingPoints(view, setting)),
    ...conditionPoints(view.state, view.sheets, view.body),
  ],
}

function settingPoints({ state, here, sheets, body }: SheetedView, setting: SettingSpec): Point[] {
  const key = settingKey(setting)
  const judged = here.readings[key]
  const reading = lastSaid(judged)
  const named = `setting:${key}`
  const points: Point[] = []
  if (!reading)
    points.push(
      point(
        named,
        `${setting.name} is not set`,
        foundWrong(here, setting)
          ? `found at ${here.asFound[key]!.raw}, wants ${setting.asWritten}`
          : `wants ${setting.asWritten}`,
      ),
    )
  else if (reading.shown.verdict !== 'in')
    points.push(
      point(
        named,
        `${setting.name} is ${reading.shown.verdict}`,
        `stands at ${reading.raw}, wants ${setting.asWritten}`,
        true,
        reading.raw,
      ),
    )
  else if (liesOutside(reading, setting) && !judgedByOther(reading, setting, sheets))
    points.push(
      point(
        named,
        `${setting.name} is out`,
        `${reading.raw} was called in, and ${setting.asWritten} is wanted: read it again`,
        true,
        reading.raw,
      ),
    )
  else if (judgedByOther(reading, setting, sheets))
    points.push(point(named, `${setting.name}: check again`, 'it was judged by another sheet'))
  else {
    const opened = voidedBy(state, sheets, setting, body)
    if (opened)
      points.push(
        point(
          named,
          `${setting.name}: check again`,
          `${opened.name.toLowerCase()} was opened or changed since`,
        ),
      )
  }
  if (judged?.differ)
    points.push(point(`differ:${key}`, `Two people differ on ${setting.name}`, 'a third reading settles it'))
  return points
}

export const times = (n: number): string => (n === 1 ? 'once' : `${n} times`)
