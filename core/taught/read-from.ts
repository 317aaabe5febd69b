import type { Taught } from '../log/kinds/index.ts'
import type { FloatGeometry, SettingSpec } from '../sheets/index.ts'

type Reading = Pick<SettingSpec, 'held' | 'datum' | 'hold'>

const OVER_ITSELF: Reading = {
  held: 'inverted',
  datum: 'face, gasket off, to the float',
  hold: 'Upside down, gasket off, the float at rest on its shut needle, its spring not pressed. Caliper from the face to the float.',
}
const IN_BOWL: Reading = {
  held: 'upright',
  datum: 'bowl rim, gasket off, to the float',
  hold: 'Bowl upright and dry, the float lifted until the needle just seats. Depth gauge from the rim to the float.',
}
const FROM_FLOOR: Reading = {
  held: 'upright',
  datum: 'bowl floor to the float’s underside',
  hold: 'Bowl upright and dry, the float lifted until the needle just seats. Gauge on the floor under the float.',
}

/**
 * How a taught unit's float height is held and read: as its family's, unless it hangs or stands elsewhere than the family's does, or
 * is read from elsewhere. A float that stands in the bowl is read with the bowl upright, one that hangs from the cover or the body with
 * that upside down.
 */
export function readFrom(
  said: number | string | undefined,
  { float }: Pick<Taught, 'float'>,
  family: Pick<FloatGeometry, 'sense' | 'guided'>,
  setting: SettingSpec,
): SettingSpec {
  if (setting.code !== 'float.height' || float === 'on a pin') return setting
  const floor = fromFloor(said, float, family.sense)
  const upright = floor || float === 'in the bowl'
  const asFamily = upright === (setting.held === 'upright') && floor === /floor/.test(setting.datum)
  if (asFamily && !family.guided) return setting
  return { ...setting, ...(floor ? FROM_FLOOR : upright ? IN_BOWL : OVER_ITSELF) }
}

/** Whether a float height is read from the bowl's floor: as somebody said, else by how the float hangs and its family is read. */
export const fromFloor = (
  said: number | string | undefined,
  float: Taught['float'],
  family: 1 | -1,
): boolean => (said === undefined ? family === -1 && float !== 'from the cover' : said === 'from the floor')
