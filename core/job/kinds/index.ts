import type { Kind } from '../kind.ts'
import { asFoundNoted } from './asfound.noted.ts'
import { asFoundSkipped } from './asfound.skipped.ts'
import { complaintAnswered } from './complaint.answered.ts'
import { entryStruck } from './entry.struck.ts'
import { featureSeen } from './feature.seen.ts'
import { findingJudged } from './finding.judged.ts'
import { gatePassed } from './gate.passed.ts'
import { identChosen } from './ident.chosen.ts'
import { jobClosed } from './job.closed.ts'
import { jobOpened } from './job.opened.ts'
import { jobReopened } from './job.reopened.ts'
import { jobReturned } from './job.returned.ts'
import { markRead } from './mark.read.ts'
import { noteWritten } from './note.written.ts'
import { orderArrived } from './order.arrived.ts'
import { orderPlaced } from './order.placed.ts'
import { partOff } from './part.off.ts'
import { partOn } from './part.on.ts'
import { readingTaken } from './reading.taken.ts'
import { teardownUnlocked } from './teardown.unlocked.ts'

const all = [
  jobOpened,
  jobClosed,
  jobReopened,
  markRead,
  featureSeen,
  identChosen,
  asFoundNoted,
  asFoundSkipped,
  teardownUnlocked,
  partOff,
  findingJudged,
  partOn,
  orderPlaced,
  orderArrived,
  readingTaken,
  complaintAnswered,
  gatePassed,
  jobReturned,
  noteWritten,
  entryStruck,
] as const

export type DataOf = { [K in (typeof all)[number] as K['kind']]: K extends Kind<infer D> ? D : never }

/** Every kind of entry by its name. The schema of each stands guard before its `admit` and `apply` are called. */
export const kinds: ReadonlyMap<string, Kind<unknown>> = new Map(
  all.map((kind) => [kind.kind, kind as unknown as Kind<unknown>]),
)

export * from './job.opened.ts'
export { markPlaces } from './mark.read.ts'
export const kindList = all
