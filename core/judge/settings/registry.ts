import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { SettingSpec, SpecSheet } from '../../sheets/index.ts'
import { airValve } from './air-valve.ts'
import { chokeIndex } from './choke-index.ts'
import { floatDrop } from './float-drop.ts'
import { floatHeight } from './float-height.ts'
import { stand } from './judge.ts'
import type { Setting, SettingContext } from './kind.ts'
import type { Bracket, SettingJudgement } from '../../log/index.ts'
import { mixtureTurns } from './mixture-turns.ts'
import { needleClip } from './needle-clip.ts'
import { plain, PLAIN_ORDER } from './plain.ts'
import { pumpStem } from './pump-stem.ts'
import { screwTurns } from './screw-turns.ts'
import { taughtSetting } from './taught.ts'
import { vacuumBreak } from './vacuum-break.ts'

/** Every setting that Ekrond has a file for. */
export type SettingCode =
  | 'float.height'
  | 'float.drop'
  | 'pump.stem'
  | 'needle.clip'
  | 'choke.index'
  | 'vacuumBreak.gap'
  | 'mixture.turns'
  | 'screw.turns'
  | 'airValve.turns'

const settings: Readonly<Record<SettingCode, Setting>> = {
  'float.height': floatHeight,
  'float.drop': floatDrop,
  'pump.stem': pumpStem,
  'needle.clip': needleClip,
  'choke.index': chokeIndex,
  'vacuumBreak.gap': vacuumBreak,
  'mixture.turns': mixtureTurns,
  'screw.turns': screwTurns,
  'airValve.turns': airValve,
}

const PLAIN: Readonly<Record<SettingSpec['quantity'], Setting>> = {
  length: plain(PLAIN_ORDER, { set: 'mm', found: 'mm' }),
  gap: plain(PLAIN_ORDER, { set: 'mm', found: 'mm' }),
  turns: plain(PLAIN_ORDER, { set: 'turns', found: 'turns so far' }),
  notches: plain(PLAIN_ORDER, { set: 'notches (e.g. 1 rich)', found: 'notches (e.g. 1 rich)' }),
  count: plain(PLAIN_ORDER, { set: '', found: 'from the outer hole' }),
}

export const isSettingCode = (code: string): code is SettingCode => Object.hasOwn(settings, code)

/** What Ekrond knows of a setting; one that has no file of its own is compared with its sheet and no more. */
export const settingOf = ({ code, quantity }: Pick<SettingSpec, 'code' | 'quantity'>): Setting =>
  isSettingCode(code) ? settings[code] : PLAIN[quantity]

/** What is set, in the order in which none undoes another. */
export const settingsInOrder = (spec: SpecSheet): SettingSpec[] =>
  spec.settings.filter((setting) => setting.set).sort((a, b) => settingOf(a).order - settingOf(b).order)

/**
 * Judges one setting's reading (stored units: mm, eighths, notches, counts) against its band and says what to do about it, from the
 * model's geometry. `bracket`: the drill that enters and the next one that does not, where that is how it was read. Refuses
 * `reading` where pin, arm, plate or linkage cannot show it.
 */
export function judgeSetting(
  setting: SettingSpec,
  value: number,
  context: SettingContext,
  bracket: Bracket | null = null,
): Result<SettingJudgement> {
  const standing = stand(setting, value, context, bracket)
  if (isRefusal(standing)) return standing
  const plainly = settingOf(setting)
  const { taught } = context.spec
  const judged = taught ? taughtSetting(plainly, setting.code, taught) : plainly
  return judged.judge(setting, value, context, standing)
}
