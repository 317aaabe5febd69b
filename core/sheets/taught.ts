import type { BuildSheet, SpecSheet } from './schemas.ts'

/** Whether a fact (`core/teach/facts.ts`) of a unit is only borrowed from its family. */
export const isPencil = ({ taught }: Pick<SpecSheet, 'taught'>, fact: string): boolean =>
  taught?.pencil.includes(fact) ?? false

/** What flows past the tip of its mixture screws; null where nobody looked. */
export const screwKindOf = (spec: Pick<SpecSheet, 'taught' | 'mixture'>): 'fuel' | 'air' | null =>
  isPencil(spec, 'mixture.kind') ? null : spec.mixture.kind

/** What a family lends a unit that is taught (`core/families/templates`): all of it borrowed, none of it believed. */
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
