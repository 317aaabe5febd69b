export {
  MOST_LAPPED_MM,
  conditionOf,
  dispositions,
  dispositionWord,
  partKinds,
  partsTable,
  SOAKED_CLOTHS,
  type Condition,
  type Disposition,
  type PartKind,
} from './parts/index.ts'
export * from './schemas.ts'
export * from './judged.ts'
export * from './taught.ts'
export * from './model.ts'
export * from './order.ts'
export * from './moments.ts'
export { factOf, facts, readFact, type Fact, type ReadFact } from './facts.ts'
export { FEATURE_NAMES } from './features.ts'
export * from './cautions.ts'
export { toolsFor, wayIn } from './way-in.ts'
export { carriersOf, settingSorts, type SettingSort } from './setting-sorts.ts'
export { lookAlikes, type LookAlike } from './look-alikes.ts'
export { besideRelatives, besideSetting, type Relatives } from './relatives.ts'
