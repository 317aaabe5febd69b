export { handMinutes, litresOf, together, washOf, type Wash } from './wash.ts'
export { DRY_MIN, faceAt, planBaths, type BathItem, type PlannedBaths, type Load } from './plan.ts'
export { bathItems, whereIs, type BathPlace } from './where.ts'
