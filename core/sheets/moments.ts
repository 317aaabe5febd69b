import { refuse, type Result } from '../base/refusal/index.ts'
import { teardownOrder } from './order.ts'
import type { BuildSheet, Position, SettingSpec } from './schemas.ts'

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
