import type { ScrewFlow, ScrewKind } from '../physics/mixture/index.ts'
import type { BuildSheet, SettingSpec, SpecSheet } from './schemas.ts'

/** Whether a fact (`core/taught/facts.ts`) of a unit is only borrowed from its family. */
export const isPencil = ({ taught }: Pick<SpecSheet, 'taught'>, fact: string): boolean =>
  taught?.pencil.includes(fact) ?? false

/** What flows past the tip of its mixture screws; null where nobody looked. */
export const screwKindOf = (spec: Pick<SpecSheet, 'taught' | 'mixture'>): 'fuel' | 'air' | null =>
  isPencil(spec, 'mixture.kind') ? null : spec.mixture.kind

/** What flows past the tip of one adjusting screw: as its own line of the sheet has it, else by its code; null for what is none, or where nobody looked. */
export function screwFlowOf(
  { code, flows }: Pick<SettingSpec, 'code' | 'flows'>,
  spec: Pick<SpecSheet, 'taught' | 'mixture'>,
): ScrewFlow | null {
  if (flows) return flows
  if (code === 'mixture.turns') return screwKindOf(spec)
  return code === 'idle.screw' ? 'stop' : null
}

/** Whether a screw is counted from its seat, or until it falls free. */
export const countedFromSeat = ({ code }: Pick<SettingSpec, 'code'>): boolean =>
  code === 'mixture.turns' || code === 'screw.turns'

/** The same of a screw for the idle mixture; null for every other. */
export function mixtureKindOf(
  setting: Pick<SettingSpec, 'code' | 'flows'>,
  spec: Pick<SpecSheet, 'taught' | 'mixture'>,
): ScrewKind | null {
  const flow = setting.code === 'mixture.turns' ? screwFlowOf(setting, spec) : null
  return flow === 'fuel' || flow === 'air' ? flow : null
}

/** What a family lends a unit that is taught (`core/unit/families/templates`): all of it borrowed, none of it believed. */
export interface Borrowed {
  words: string
  spec: Pick<
    SpecSheet,
    | 'draft'
    | 'barrels'
    | 'mixture'
    | 'settings'
    | 'calibration'
    | 'float'
    | 'section'
    | 'level'
    | 'supply'
    | 'engine'
  >
  build: Pick<BuildSheet, 'trays' | 'positions'>
}
