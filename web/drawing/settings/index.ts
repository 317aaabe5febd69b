import { isSettingCode, type SettingCode } from '@ekrond/core/settings'
import { airValve } from './air-valve'
import { chokeIndex } from './choke-index'
import { floatDrop } from './float-drop'
import { floatHeight } from './float-height'
import { mixtureTurns } from './mixture-turns'
import { needleClip } from './needle-clip'
import { plain } from './plain'
import type { SettingPicture } from './props'
import { pumpStem } from './pump-stem'
import { vacuumBreak } from './vacuum-break'

const pictures: Readonly<Record<SettingCode, SettingPicture>> = {
  'float.height': floatHeight,
  'float.drop': floatDrop,
  'pump.stem': pumpStem,
  'needle.clip': needleClip,
  'choke.index': chokeIndex,
  'vacuumBreak.gap': vacuumBreak,
  'mixture.turns': mixtureTurns,
  'airValve.turns': airValve,
}

/** How a setting is drawn. */
export const pictureOf = (code: string): SettingPicture => (isSettingCode(code) ? pictures[code] : plain)
