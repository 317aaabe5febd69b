export { detailOf, type Detail } from './detail.ts'
export type { Branch, Passage, PassagePlan, Port } from './plan.ts'
