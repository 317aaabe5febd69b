import type { Entry } from '../../log/entry.ts'
import { bodyOf, type BodyState, type JobState } from '../../log/state.ts'
import { refuse, type Result } from '../../base/refusal/index.ts'
import type { BuildSheet, Position, SettingSpec, Sheets } from '../../sheets/schemas.ts'
import { teardownOrder } from './order.ts'

/** Positions that must be on, and positions that must be off, while a setting is read. */
export interface When {
  on: readonly string[]
  off: readonly string[]
}

/** The parts that carry a setting where its sheet names none: what leaves with it takes the setting along. */
const CARRIERS: Readonly<Record<string, (position: Position, setting: SettingSpec) => boolean>> = {
  'mixture.turns': isItsScrew,
  'screw.turns': isItsScrew,
  'idle.screw': ({ code }) => code === 'throttle.shaft',
  'choke.index': ({ kind }) => kind === 'coil',
  'pump.hole': ({ code }) => code === 'pump.link',
  'pump.stem': ({ code }) => code === 'pump.link' || code === 'pump.cup',
  'vacuumBreak.gap': ({ code }) => code === 'choke.rod',
  'airValve.turns': ({ code }) => code === 'air.valve',
}

/** A screw of a side carries that side's setting, one without a side all of them. */
function isItsScrew({ code, kind }: Position, { place }: SettingSpec): boolean {
  const side = code.split('/')[1]
  return kind === 'mixtureScrew' && (side === undefined || place === 'none' || side === place)
}

/** Settings that rest on others: the stem is measured in the hole that the link stands in. */
const RESTS_ON: Readonly<Record<string, readonly string[]>> = { 'pump.stem': ['pump.hole/none'] }

/** When a setting can be read: what its sheet says, or for sheets of before what its 'as found' step says and what its kind is carried by. Only positions that are there. */
export function whenOf(setting: SettingSpec, build: BuildSheet): When {
  const there = new Set(build.positions.map((position) => position.code))
  const told = setting.when ?? {
    on: [],
    off: setting.asFoundAt === undefined || setting.asFoundAt === 'outside' ? [] : [setting.asFoundAt],
  }
  const off = told.off.filter((code) => there.has(code))
  const on = told.on.filter((code) => there.has(code))
  const carries = CARRIERS[setting.code]
  if (on.length > 0 || !carries) return { on, off }
  return {
    on: build.positions
      .filter((position) => carries(position, setting) && !off.includes(position.code))
      .map(({ code }) => code),
    off,
  }
}

/** Whether a setting is read from outside, with nothing off. */
export const isOutside = (setting: SettingSpec, build: BuildSheet): boolean =>
  whenOf(setting, build).off.length === 0

/**
 * Where in the order a setting can be read: on the way down after the last of `off` has left and before the first of `on` leaves, on
 * the way up after the last of `on` is back and before the first of `off` goes on. Refuses `when` where two positions fight.
 */
export function momentsOf(
  setting: SettingSpec,
  build: BuildSheet,
): Result<{ afterOff: Position | null; beforeOn: Position | null }> {
  const order = teardownOrder(build)
  const { on, off } = whenOf(setting, build)
  const place = (code: string) => order.findIndex((position) => position.code === code)
  const lastOff = Math.max(-1, ...off.map(place))
  const goes = on.map(place).filter((at) => at >= 0)
  const firstOn = goes.length ? Math.min(...goes) : order.length
  if (lastOff > firstOn)
    return refuse(
      'when',
      `${setting.name} can never be read: ${order[firstOn]!.name} has left before ${order[lastOff]!.name} is off.`,
    )
  return {
    afterOff: order[lastOff] ?? null,
    // Upwards the first of `off` to go on is the one that came off last.
    beforeOn: lastOff >= 0 ? order[lastOff]! : null,
  }
}

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

const entriesOf = new WeakMap<JobState['log'], Map<string, Entry>>()
/** An entry of the log by its id; undefined where it is not there. */
export function entryOf(state: JobState, id: string | undefined): Entry | undefined {
  let known = entriesOf.get(state.log)
  if (!known) {
    known = new Map(state.log.map((entry) => [entry.id, entry]))
    entriesOf.set(state.log, known)
  }
  return id === undefined ? undefined : known.get(id)
}

/** The place of an entry in the log; 0 where it is not there. */
export const seqOf = (state: JobState, entry: string | undefined): number => entryOf(state, entry)?.seq ?? 0

/**
 * Whether an act came after what shows something, or before it and unseen by whoever showed it: a test that was made offline does not
 * outlive a cover that somebody else lifted meanwhile. Evidence is of the moment that its window knew (`saw`); entries of before name
 * none, and count as seen when they were taken.
 */
export function isUnseenBy(state: JobState, act: string, evidence: string): boolean {
  const done = entryOf(state, act)
  const shown = entryOf(state, evidence)
  if (!done || !shown) return false
  if (done.seq > shown.seq) return true
  return shown.saw !== undefined && done.seq > shown.saw && done.by !== shown.by
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
