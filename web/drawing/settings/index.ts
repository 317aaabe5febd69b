import { screwKindOf, type SpecSheet } from '@ekrond/core/sheets'
import { isSettingCode, type SettingCode } from '@ekrond/core/judge/settings'
import { known } from '@ekrond/core/taught'
import { airValvePicture } from './air-valve'
import { chokeIndexPicture } from './choke-index'
import { floatDropPicture } from './float-drop'
import { floatHeightPicture } from './float-height'
import { mixtureTurnsPicture, screwTurnsPicture } from './mixture-turns'
import { needleClipPicture } from './needle-clip'
import { plainPicture } from './plain'
import type { SettingPicture } from './props'
import { pumpStemPicture } from './pump-stem'
import { vacuumBreakPicture } from './vacuum-break'

const pictures: Readonly<Record<SettingCode, SettingPicture>> = {
  'float.height': floatHeightPicture,
  'float.drop': floatDropPicture,
  'pump.stem': pumpStemPicture,
  'needle.clip': needleClipPicture,
  'choke.index': chokeIndexPicture,
  'vacuumBreak.gap': vacuumBreakPicture,
  'mixture.turns': mixtureTurnsPicture,
  'screw.turns': screwTurnsPicture,
  'airValve.turns': airValvePicture,
}

/** How a setting is drawn. */
const pictureOf = (code: string): SettingPicture => (isSettingCode(code) ? pictures[code] : plainPicture)

const { inUse: _, ...heldOnly } = floatHeightPicture

/** Of a taught unit nothing is drawn from geometry that nobody measured: its float by its family, the rest plain. */
export function pictureFor(spec: SpecSheet, code: string): SettingPicture {
  if (!spec.taught) return pictureOf(code)
  if (code === 'float.height') {
    const level = known(spec).rungs.find((rung) => rung.code === 'level')!
    return level.reached ? floatHeightPicture : heldOnly
  }
  return code === 'mixture.turns' && screwKindOf(spec) !== null ? mixtureTurnsPicture : plainPicture
}
