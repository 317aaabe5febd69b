import type { Kind } from '../kind.ts'
import { amendKept } from './amend.kept.ts'
import { asFoundNoted } from './asfound.noted.ts'
import { asFoundSeen } from './asfound.seen.ts'
import { asFoundSkipped } from './asfound.skipped.ts'
import { bathIn } from './bath.in.ts'
import { bathOut } from './bath.out.ts'
import { calChosen } from './cal.chosen.ts'
import { checkAdded } from './check.added.ts'
import { complaintAnswered } from './complaint.answered.ts'
import { entryStruck } from './entry.struck.ts'
import { estimateAgreed } from './estimate.agreed.ts'
import { estimateMade } from './estimate.made.ts'
import { evidenceWeighed } from './evidence.weighed.ts'
import { fastenerTurned } from './fastener.turned.ts'
import { featureSeen } from './feature.seen.ts'
import { findingJudged } from './finding.judged.ts'
import { gatePassed } from './gate.passed.ts'
import { identChosen } from './ident.chosen.ts'
import { identTaught } from './ident.taught.ts'
import { jobClosed } from './job.closed.ts'
import { jobOpened } from './job.opened.ts'
import { jobReopened } from './job.reopened.ts'
import { jobScoped } from './job.scoped.ts'
import { jobReturned } from './job.returned.ts'
import { markRead } from './mark.read.ts'
import { noteWritten } from './note.written.ts'
import { orderArrived } from './order.arrived.ts'
import { orderPlaced } from './order.placed.ts'
import { ownBend } from './own.bend.ts'
import { ownDimension } from './own.dimension.ts'
import { ownPart } from './own.part.ts'
import { ownPort } from './own.port.ts'
import { ownPublished } from './own.published.ts'
import { ownSetting } from './own.setting.ts'
import { ownSource } from './own.source.ts'
import { partOff } from './part.off.ts'
import { partOn } from './part.on.ts'
import { partStuck } from './part.stuck.ts'
import { passageBlown } from './passage.blown.ts'
import { passageCleaned } from './passage.cleaned.ts'
import { photoPinned } from './photo.pinned.ts'
import { photoTaken } from './photo.taken.ts'
import { portNoted } from './port.noted.ts'
import { proofAnswered } from './proof.answered.ts'
import { proofFitted } from './proof.fitted.ts'
import { proofMeasured } from './proof.measured.ts'
import { readingTaken } from './reading.taken.ts'
import { runNoted } from './run.noted.ts'
import { sealSeen } from './seal.seen.ts'
import { sedimentSeen } from './sediment.seen.ts'
import { settingAdded } from './setting.added.ts'
import { signSeen } from './sign.seen.ts'
import { teardownUnlocked } from './teardown.unlocked.ts'
import { testNoted } from './test.noted.ts'
import { testRepeated } from './test.repeated.ts'

const all = [
  jobOpened,
  jobClosed,
  jobReopened,
  estimateMade,
  estimateAgreed,
  testNoted,
  testRepeated,
  markRead,
  featureSeen,
  evidenceWeighed,
  identChosen,
  identTaught,
  ownPart,
  ownPort,
  ownSetting,
  ownSource,
  ownDimension,
  ownBend,
  ownPublished,
  settingAdded,
  checkAdded,
  amendKept,
  asFoundNoted,
  asFoundSeen,
  asFoundSkipped,
  portNoted,
  sealSeen,
  teardownUnlocked,
  partOff,
  partStuck,
  findingJudged,
  sedimentSeen,
  calChosen,
  partOn,
  fastenerTurned,
  proofAnswered,
  bathIn,
  bathOut,
  passageBlown,
  passageCleaned,
  orderPlaced,
  orderArrived,
  readingTaken,
  proofMeasured,
  proofFitted,
  signSeen,
  runNoted,
  complaintAnswered,
  gatePassed,
  jobScoped,
  jobReturned,
  noteWritten,
  photoTaken,
  photoPinned,
  entryStruck,
] as const

export type DataOf = { [K in (typeof all)[number] as K['kind']]: K extends Kind<infer D> ? D : never }

/** Every kind of entry by its name. The schema of each stands guard before its `apply` is called. */
export const kinds: ReadonlyMap<string, Kind<unknown>> = new Map(
  all.map((kind) => [kind.kind, kind as unknown as Kind<unknown>]),
)

export { bands, symptoms, temperatures, whens, type Opened } from './job.opened.ts'
export { receivedTests, type ReceivedTest } from './test.noted.ts'
export { markPlaces } from './mark.read.ts'
export type { AsFound } from './asfound.noted.ts'
export { insteadWords, isChosenFor, type Chosen, type ChosenFor } from './cal.chosen.ts'
export type { Estimate } from './estimate.made.ts'
export type { FindingData } from './finding.judged.ts'
export type { Ident } from './ident.chosen.ts'
export { chokeKinds, floatHolds, type Taught } from './ident.taught.ts'
export { FLOAT_HEIGHT, type OwnBend } from './own.bend.ts'
export type { OwnFact } from './own.dimension.ts'
export type { OwnPart } from './own.part.ts'
export type { OwnSource } from './own.setting.ts'
export type { Order, OrderLine } from './order.placed.ts'
export { offAgain, type OffAgainWhy } from './part.off.ts'
export type { PartSource } from './part.on.ts'
export { MOST_STUCK_TRIES, stuckTries, type StuckTry } from './part.stuck.ts'
export type { Pin } from './photo.pinned.ts'
export { sideOf, type Photo, type PhotoStep } from './photo.taken.ts'
export { portWords, type PortNote, type PortState } from './port.noted.ts'
export type { ProofData } from './proof.measured.ts'
export {
  blipParts,
  runBands,
  runWords,
  type BlipPart,
  type RunBand,
  type RunEntry,
  type RunNote,
} from './run.noted.ts'
export type { ReadingData } from './reading.taken.ts'

/** An entry with its data as this program's version of its kind has it. What a newer program wrote is left as it is. */
export function current<E extends { kind: string; v: number; data: unknown }>(entry: E): E {
  const kind = kinds.get(entry.kind)
  if (!kind || entry.v >= kind.version) return entry
  let data = entry.data
  for (let version = entry.v; version < kind.version; version++)
    data = kind.upcasts?.[version]?.(data as never) ?? data
  return { ...entry, v: kind.version, data }
}

/** Whether this program is too old for an entry: it keeps it and passes over it. */
export const isNewer = (entry: { kind: string; v: number }): boolean =>
  entry.v > (kinds.get(entry.kind)?.version ?? 0)

export const kindList = all
