import { screwKindOf, type SpecSheet } from '@ekrond/core/sheets'
import { isSettingCode, type SettingCode } from '@ekrond/core/judge/settings'
import { known } from '@ekrond/core/taught'
import { airValve } from './air-valve'
import { chokeIndex } from './choke-index'
import { floatDrop } from './float-drop'
import { floatHeight } from './float-height'
import { mixtureTurns, screwTurns } from './mixture-turns'
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
  'screw.turns': screwTurns,
  'airValve.turns': airValve,
}

/** How a setting is drawn. */
const pictureOf = (code: string): SettingPicture => (isSettingCode(code) ? pictures[code] : plain)

const { inUse: _, ...heldOnly } = floatHeight

/** Of a taught unit nothing is drawn from geometry that nobody measured: its float by its family, the rest plain. */
export function pictureFor(spec: SpecSheet, code: string): SettingPicture {
  if (!spec.taught) return pictureOf(code)
  if (code === 'float.height') {
    const level = known(spec).rungs.find((rung) => rung.code === 'level')!
    return level.reached ? floatHeight : heldOnly
  }
  return code === 'mixture.turns' && screwKindOf(spec) !== null ? mixtureTurns : plain
}
