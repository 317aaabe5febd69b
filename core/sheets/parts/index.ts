import { castings } from './castings.ts'
import type { PartRow, Condition } from './condition.ts'
import { hardware } from './hardware.ts'
import { inlet } from './inlet.ts'
import { metering } from './metering.ts'

export { MOST_LAPPED_MM } from './castings.ts'
export { SOAKED_CLOTHS } from './cautions.ts'
export { dispositions, dispositionWord, type Condition, type Disposition } from './condition.ts'

const rows = { ...castings, ...inlet, ...metering, ...hardware }

/** A kind of part: a new one is a row here and its outline. */
export type PartKind = keyof typeof rows
export const partKinds = Object.keys(rows) as [PartKind, ...PartKind[]]
export const partsTable: Readonly<Record<PartKind, PartRow>> = rows

/** A part’s condition by its code; undefined where its kind cannot have it. */
export const conditionOf = (kind: PartKind, code: string): Condition | undefined =>
  partsTable[kind].conditions.find((one) => one.code === code)
