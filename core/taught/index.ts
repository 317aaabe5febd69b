export { bends, readBend, type TriedBend } from './bends.ts'
export { breathes, familyFor, type Described } from './family.ts'
export { factOf, facts, readFact, type Fact, type ReadFact } from '../sheets/index.ts'
export { known, type KnownSoFar, type TaughtRung } from './known.ts'
export { noneOf, ownSheets } from './sheets.ts'
export { agree, sourceStandingOf, withBand, type Source, type SourceStanding, type Trust } from './sources.ts'
export { levelSpread, type LevelSpread } from './spread.ts'
export { taughtSheets } from './own.ts'
export { mongrelSheets } from './mongrel.ts'
export { scaled } from './scale.ts'
export { withTries, wrongWay } from './tries.ts'
export { tracedArea, type Tap } from './traced.ts'
export { unmeasured, withMeasured } from './measured.ts'
export { carriedOn, type Carried } from './carried.ts'
export { bendsOf } from './tries.ts'
export {
  amended,
  amendmentsOf,
  followsFrom,
  forBook,
  kindsNear,
  onlyThat,
  type Amendment,
  type Follows,
} from './amended.ts'
export { jobSheets } from './chosen.ts'
