import { asFoundNoted } from './asfound.noted.ts'
import { asFoundSeen } from './asfound.seen.ts'
import { bathIn } from './bath.in.ts'
import { bathOut } from './bath.out.ts'
import { entryStruck } from './entry.struck.ts'
import { estimateAgreed } from './estimate.agreed.ts'
import { evidenceWeighed } from './evidence.weighed.ts'
import { fastenerTurned } from './fastener.turned.ts'
import { findingJudged } from './finding.judged.ts'
import { gatePassed } from './gate.passed.ts'
import { identTaught } from './ident.taught.ts'
import { jobClosed } from './job.closed.ts'
import { jobOpened } from './job.opened.ts'
import { jobReopened } from './job.reopened.ts'
import { jobReturned } from './job.returned.ts'
import { jobScoped } from './job.scoped.ts'
import { markRead } from './mark.read.ts'
import { orderArrived } from './order.arrived.ts'
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
import { photoPinned } from './photo.pinned.ts'
import { portNoted } from './port.noted.ts'
import { proofAnswered } from './proof.answered.ts'
import { proofFitted } from './proof.fitted.ts'
import { proofMeasured } from './proof.measured.ts'
import { readingTaken } from './reading.taken.ts'
import { sealSeen } from './seal.seen.ts'
import { always, type Admits } from './admit.ts'

export const admits: Admits = {
  'asfound.noted': asFoundNoted,
  'asfound.seen': asFoundSeen,
  'asfound.skipped': always,
  'bath.in': bathIn,
  'bath.out': bathOut,
  'complaint.answered': always,
  'entry.struck': entryStruck,
  'estimate.agreed': estimateAgreed,
  'estimate.made': always,
  'evidence.weighed': evidenceWeighed,
  'fastener.turned': fastenerTurned,
  'feature.seen': always,
  'finding.judged': findingJudged,
  'gate.passed': gatePassed,
  'ident.chosen': always,
  'ident.taught': identTaught,
  'job.closed': jobClosed,
  'job.opened': jobOpened,
  'job.reopened': jobReopened,
  'job.returned': jobReturned,
  'job.scoped': jobScoped,
  'mark.read': markRead,
  'note.written': always,
  'order.arrived': orderArrived,
  'order.placed': always,
  'own.bend': ownBend,
  'own.dimension': ownDimension,
  'own.part': ownPart,
  'own.port': ownPort,
  'own.published': ownPublished,
  'own.setting': ownSetting,
  'own.source': ownSource,
  'part.off': partOff,
  'part.on': partOn,
  'part.stuck': partStuck,
  'passage.blown': passageBlown,
  'passage.cleaned': always,
  'photo.pinned': photoPinned,
  'photo.taken': always,
  'port.noted': portNoted,
  'proof.answered': proofAnswered,
  'proof.fitted': proofFitted,
  'proof.measured': proofMeasured,
  'reading.taken': readingTaken,
  'run.noted': always,
  'seal.seen': sealSeen,
  'sediment.seen': always,
  'sign.seen': always,
  'teardown.unlocked': always,
  'test.noted': always,
  'test.repeated': always,
}
