import {
  bodyKey,
  bodyOf,
  lastSaid,
  type BodyState,
  type JobState,
  NOTHING_SEEN,
  passAs,
} from '../../log/index.ts'
import { judge, judgeBracket } from '../../measure/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { settingsInOrder } from '../settings/registry.ts'
import {
  judgedByOther,
  settingKey,
  type Position,
  type SettingSpec,
  type Sheets,
  whenOf,
} from '../../sheets/index.ts'
import { canBeRead, voidedBy } from './moments.ts'

/** Whether what a setting was found at lies outside its band: then it is set when it goes together, also where it is usually only noted. */
export function foundWrong(here: BodyState, setting: SettingSpec): boolean {
  const found = here.asFound[settingKey(setting)]
  if (!found || found.countedTo === 'free') return false
  return (
    (setting.lo !== null && found.value < setting.lo) || (setting.hi !== null && found.value > setting.hi)
  )
}

/** What has to be set on this body, in order: what its sheet sets, and what was found wrong. */
export const settingsToSet = (sheets: Sheets, here: BodyState): SettingSpec[] => [
  ...settingsInOrder(sheets.spec),
  ...sheets.spec.settings.filter(
    (setting) =>
      !setting.set && (foundWrong(here, setting) || here.readings[settingKey(setting)] !== undefined),
  ),
]

/** Whether a figure lies outside of its band by itself, whatever was said of it: the verdict is judged from the value. */
export function liesOutside(
  { value, bracket }: { value: number; bracket: { go: number; no: number } | null },
  { lo, hi }: Pick<SettingSpec, 'lo' | 'hi'>,
): boolean {
  const [least, most] = bracket
    ? [Math.min(bracket.go, bracket.no), Math.max(bracket.go, bracket.no)]
    : [value, value]
  return (lo !== null && most < lo - 1e-9) || (hi !== null && least > hi + 1e-9)
}

/** Whether a reading's own gauge cannot tell that it lies in its band: the verdict is judged again from value, σ and bracket. */
export function isUnsettled(
  {
    value,
    sigma,
    bracket,
  }: { value: number; sigma: number | null; bracket: { go: number; no: number } | null },
  { lo, hi }: Pick<SettingSpec, 'lo' | 'hi'>,
): boolean {
  if (lo === null && hi === null) return false
  const judged = bracket
    ? judgeBracket(Math.min(bracket.go, bracket.no), Math.max(bracket.go, bracket.no), lo, hi)
    : sigma !== null
      ? judge(value, sigma, lo, hi)
      : null
  return judged !== null && !isRefusal(judged) && judged.verdict !== 'in'
}

/** Whether a setting stands in its band, by the sheet in force, with nothing opened since. */
export function holdsNow(state: JobState, sheets: Sheets, setting: SettingSpec, body = 1): boolean {
  const reading = lastSaid(bodyOf(state, body).readings[settingKey(setting)])
  return (
    reading?.shown.verdict === 'in' &&
    !liesOutside(reading, setting) &&
    // A job that began before this was asked keeps what was said of it.
    (state.opened?.evidence === false || !isUnsettled(reading, setting)) &&
    !judgedByOther(reading, setting, sheets) &&
    voidedBy(state, sheets, setting, body) === null
  )
}

/** What can be noted as found now that something is off, before anything else moves. */
export function exposedNow(here: BodyState, sheets: Sheets): SettingSpec[] {
  return sheets.spec.settings.filter((setting) => {
    const key = settingKey(setting)
    if (key in here.asFound || key in here.asFoundSkipped) return false
    return whenOf(setting, sheets.build).off.length > 0 && canBeRead(here, setting, sheets.build)
  })
}

/** What has to be set before a part goes on that hides it, and can be: Build stops there and asks. */
export function dueBefore(state: JobState, sheets: Sheets, next: Position, body = 1): SettingSpec[] {
  const here = bodyOf(state, body)
  return settingsToSet(sheets, here).filter(
    (setting) =>
      whenOf(setting, sheets.build).off.includes(next.code) &&
      canBeRead(here, setting, sheets.build) &&
      !holdsNow(state, sheets, setting, body) &&
      passAs(
        state,
        bodyKey(body, `setting:${settingKey(setting)}`),
        lastSaid(here.readings[settingKey(setting)])?.raw ?? NOTHING_SEEN,
      ) === null,
  )
}
