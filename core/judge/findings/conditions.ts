import type { PartKind } from '../../sheets/index.ts'
import { castings } from './seen/castings.ts'
import { inlet } from './seen/inlet.ts'
import { metering } from './seen/metering.ts'
import type { Condition } from './seen/condition.ts'

export { dispositionWord, type Condition } from './seen/condition.ts'

/** The conditions that a part's kind can have, the commonest first, with what each leads to and what it would explain. */
export const conditionsOf: Record<PartKind, readonly Condition[]> = { ...castings, ...inlet, ...metering }

/** A part's condition by its code; undefined where its kind cannot have it. */
export const conditionOf = (kind: PartKind, code: string): Condition | undefined =>
  conditionsOf[kind].find((one) => one.code === code)
