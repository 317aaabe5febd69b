export * from './entry.ts'
export * from './ends.ts'
export * from './state.ts'
export * from './refusals.ts'
export { isOnePersons, needsTwo, type Ended } from './kinds/job.closed.ts'
export { signedBy } from './kinds/gate.passed.ts'
export { warrantyOf } from './returned.ts'
export { inOurWords, isCleanText, issueSentence, uncleanAt, UNCLEAN_SENTENCE } from './issues.ts'
export {
  blipParts,
  runBands,
  type RunBand,
  runWords,
  type BlipPart,
  type RunEntry,
  type RunNote,
  FLOAT_HEIGHT,
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
  MOST_STUCK_TRIES,
  portWords,
  sideOf,
  stuckTries,
  chokeKinds,
  floatHolds,
  type OwnBend,
  type OwnFact,
  type OwnPart,
  type OwnSource,
  type Taught,
  type AsFound,
  type DataOf,
  type Estimate,
  type FindingData,
  type Ident,
  type Opened,
  type Order,
  type OrderLine,
  offAgain,
  type OffAgainWhy,
  type PartSource,
  type Photo,
  type PortNote,
  type PortState,
  type PhotoStep,
  type Pin,
  type ReadingData,
  type ReceivedTest,
  type StuckTry,
  insteadWords,
  isChosenFor,
  type Chosen,
  type ChosenFor,
} from './kinds/index.ts'
export type { SheetsByBody, Stamped } from './kind.ts'
export * from './labour.ts'
export * from './returned.ts'
export * from './fold.ts'
export * from './groups.ts'
export * from './check.ts'
export { replacement, sentenceOf, stationOfKind } from './sentence.ts'
export * from './number.ts'
export * from './entries.ts'
export * from './measured/finding.ts'
export * from './measured/looks.ts'
export * from './measured/proof.ts'
export * from './measured/reading.ts'
export * from './measured/sediment.ts'
export { complaintWords, symptomWords } from './complaint.ts'
export { passAs, NOTHING_SEEN } from './passes.ts'
export { leftSince } from './left.ts'
export { type FastenerState } from './kinds/fastener.turned.ts'
export { type ProofData } from './kinds/proof.measured.ts'
