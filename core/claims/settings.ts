import { bodyOf, lastSaid, type JobState, leftSince, NOTHING_SEEN } from '../log/index.ts'
import {
  judgedByOther,
  settingKey,
  type SettingSpec,
  type Sheets,
  isOutside,
  whenOf,
} from '../sheets/index.ts'
import { foundWrong, isUnsettled, liesOutside, settingsToSet, voidedBy } from '../judge/work/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

const MINUTES_A_SETTING = 6

/** Settings that decide whether it floods or leaks: out of their band they are never a minor thing. */
const HEAVY: ReadonlySet<string> = new Set(['float.height', 'float.drop'])

/** Each setting that is set stands in its band by the sheet in force, read while what carries it is on, with nothing opened since. */
export const settingClaims = (state: JobState, sheets: Sheets, body: number): Claim[] =>
  settingsToSet(sheets, bodyOf(state, body)).map((setting) => settingClaim(state, sheets, body, setting))

function settingClaim(state: JobState, sheets: Sheets, body: number, setting: SettingSpec): Claim {
  const key = settingKey(setting)
  const here = bodyOf(state, body)
  const judged = here.readings[key]
  const ways = settingWays(state, sheets, body, setting)
  if (judged?.differ)
    ways.push(
      way(
        'contradicted',
        `differ:${key}`,
        `Two people disagree on ${setting.name}`,
        'a third reading decides',
        { value: lastSaid(judged)!.raw },
      ),
    )
  const { on, off } = whenOf(setting, sheets.build)
  return stated({
    of: 'setting',
    body,
    subject: key,
    name: setting.name,
    station: 'set',
    shownBy: [lastSaid(judged)?.entry],
    restsOn: on.length > 0 ? on : off,
    minutes: MINUTES_A_SETTING,
    ways,
  })
}

function settingWays(state: JobState, sheets: Sheets, body: number, setting: SettingSpec): Way[] {
  const key = settingKey(setting)
  const here = bodyOf(state, body)
  const reading = lastSaid(here.readings[key])
  const named = `setting:${key}`
  if (!reading)
    return [
      way(
        'open',
        named,
        `${setting.name} is not set`,
        foundWrong(here, setting)
          ? `found at ${here.asFound[key]!.raw}, target ${setting.asWritten}`
          : `target ${setting.asWritten}`,
        { value: NOTHING_SEEN },
      ),
    ]
  const out = { value: reading.raw, weight: HEAVY.has(setting.code) ? 'major' : 'minor' } as const
  if (reading.shown.verdict !== 'in')
    return [
      way(
        'open',
        named,
        `${setting.name} is ${reading.shown.verdict}`,
        `stands at ${reading.raw}, target ${setting.asWritten}`,
        out,
      ),
    ]
  const again = (why: string, since: string | null) => [
    way('void', named, `${setting.name}: redo`, why, { since, value: `again ${reading.entry}` }),
  ]
  if (judgedByOther(reading, setting, sheets))
    return again('it was judged by another sheet', here.ident?.entry ?? null)
  if (liesOutside(reading, setting))
    return [
      way(
        'open',
        named,
        `${setting.name} is out`,
        `${reading.raw} was called in, and ${setting.asWritten} is the target: read it again`,
        out,
      ),
    ]
  // A gauge that cannot tell so much did not show it, whatever was said of it.
  if (state.opened?.evidence !== false && isUnsettled(reading, setting))
    return [
      way(
        'open',
        named,
        `${setting.name} is doubtful`,
        `${reading.raw} was called in, and its gauge is too coarse: use a finer one`,
        out,
      ),
    ]
  const opened = voidedBy(state, sheets, setting, body)
  if (opened) return again(`${opened.name.toLowerCase()} was opened or changed since`, opened.since)
  // Whoever had it outside may have turned what is turned from outside.
  const left = isOutside(setting, sheets.build) ? leftSince(state, reading.entry) : null
  return left ? again('it left the shop since then', left) : []
}
