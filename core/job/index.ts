export * from './entry.ts'
export * from './state.ts'
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
  type DataOf,
  type ReceivedTest,
} from './kinds/index.ts'
export type { SheetsByBody, StationName } from './kind.ts'
export * from './work.ts'
export * from './returned.ts'
export * from './again.ts'
export * from './resume.ts'
export * from './minutes.ts'
export * from './fold.ts'
export * from './admit.ts'
export * from './needs.ts'
export * from './gate.ts'
export * from './stations.ts'
export * from './summary.ts'
export * from './number.ts'
export * from './undo.ts'
