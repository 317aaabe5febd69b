export * from './entry.ts'
export * from './state.ts'
export * from './refusals.ts'
export { inOurWords, isCleanText, issueSentence, uncleanAt, UNCLEAN_SENTENCE } from './issues.ts'
export {
  kinds,
  kindList,
  current,
  isNewer,
  symptoms,
  bands,
  temperatures,
  whens,
  receivedTests,
  markPlaces,
  type AsFound,
  type DataOf,
  type Estimate,
  type FindingData,
  type Ident,
  type Opened,
  type Order,
  type OrderLine,
  type PartSource,
  type ReadingData,
  type ReceivedTest,
} from './kinds/index.ts'
export type { SheetsByBody } from './kind.ts'
export * from './labour.ts'
export * from './returned.ts'
export * from './again.ts'
export * from './fold.ts'
export * from './groups.ts'
export * from './admit.ts'
export * from './needs.ts'
export * from './number.ts'
