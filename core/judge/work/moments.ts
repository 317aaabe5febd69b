import { bodyOf, isUnseenBy, type BodyState, type JobState } from '../../log/index.ts'
import {
  teardownOrder,
  whenOf,
  type BuildSheet,
  type Position,
  type SettingSpec,
  type Sheets,
} from '../../sheets/index.ts'

/** Settings that rest on others: the stem is measured in the hole that the link stands in. */
const RESTS_ON: Readonly<Record<string, readonly string[]>> = { 'pump.stem': ['pump.hole/none'] }

const isIn = (here: BodyState, code: string): boolean => !here.off[code] || here.on[code] !== undefined

/** Whether a setting can be read as the body stands now. */
export function canBeRead(here: BodyState, setting: SettingSpec, build: BuildSheet): boolean {
  const { on, off } = whenOf(setting, build)
  return on.every((code) => isIn(here, code)) && off.every((code) => !isIn(here, code))
}

/** The parts that must come off before a hidden setting can be read, in the order in which they do; empty where none hides it. */
export function hiddenBy(here: BodyState, setting: SettingSpec, build: BuildSheet): Position[] {
  const { off } = whenOf(setting, build)
  return teardownOrder(build).filter(({ code }) => off.includes(code) && isIn(here, code))
}

/** The parts that must be on before a setting can be read, in the order in which they go on. */
export function waitsForParts(here: BodyState, setting: SettingSpec, build: BuildSheet): Position[] {
  const { on } = whenOf(setting, build)
  return teardownOrder(build)
    .filter(({ code }) => on.includes(code) && !isIn(here, code))
    .reverse()
}

/** What made a reading void: a part by its name, or a setting that it rests on, with the entry that did. */
export interface Voided {
  name: string
  since: string
}

/**
 * What was opened or changed since a setting was read last: one of the parts that carry it came off or went on afterwards, or a setting
 * that it rests on was read anew. What only hides it voids nothing, but where no part is known to carry it. Null where the reading still
 * stands.
 */
export function voidedBy(state: JobState, sheets: Sheets, setting: SettingSpec, body = 1): Voided | null {
  const here = bodyOf(state, body)
  const reading = here.readings[`${setting.code}/${setting.place}`]?.said.at(-1)
  if (!reading) return null
  const { on, off } = whenOf(setting, sheets.build)
  const later = (act: string | undefined) =>
    act !== undefined && isUnseenBy(state, act, reading.entry) ? act : undefined
  const moved = (code: string) => later(here.on[code]?.entry) ?? later(here.off[code]?.entry)
  const part = teardownOrder(sheets.build).find(
    ({ code }) =>
      (on.includes(code) && moved(code)) ||
      (on.length === 0 && off.includes(code) && later(here.off[code]?.entry)),
  )
  if (part) return { name: part.name, since: moved(part.code) ?? here.off[part.code]!.entry }
  const rests = (RESTS_ON[setting.code] ?? []).flatMap((key) => {
    const since = later(here.readings[key]?.said.at(-1)?.entry)
    const other = sheets.spec.settings.find(({ code, place }) => `${code}/${place}` === key)
    return since && other ? [{ name: other.name, since }] : []
  })
  return rests[0] ?? null
}
