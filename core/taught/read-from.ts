import type { SettingSpec } from '../sheets/index.ts'

/** Where the height is read from elsewhere than its family has it, the family's words for holding it do not hold. */
export function readFrom(said: number | string | undefined, setting: SettingSpec): SettingSpec {
  if (setting.code !== 'float.height' || said === undefined) return setting
  const floor = said === 'from the floor'
  if (floor === /floor/.test(setting.datum)) return setting
  return floor
    ? {
        ...setting,
        held: 'upright',
        datum: 'bowl floor to the float’s underside',
        hold: 'Bowl upright and dry, the float lifted until the needle just seats. Gauge on the floor under the float.',
      }
    : {
        ...setting,
        datum: 'face, gasket off, to the float',
        hold: 'Gasket off, the float at rest on its shut needle, its spring not pressed. Caliper from the face to the float.',
      }
}
