import { admitAmendKept } from './amend.kept.ts'
import { admitAsFoundNoted } from './asfound.noted.ts'
import { admitAsFoundSeen } from './asfound.seen.ts'
import { admitBathIn } from './bath.in.ts'
import { admitBathOut } from './bath.out.ts'
import { admitCalChosen } from './cal.chosen.ts'
import { admitCheckAdded } from './check.added.ts'
import { admitEntryStruck } from './entry.struck.ts'
import { admitEstimateAgreed } from './estimate.agreed.ts'
import { admitEvidenceWeighed } from './evidence.weighed.ts'
import { admitFastenerTurned } from './fastener.turned.ts'
import { admitFindingJudged } from './finding.judged.ts'
import { admitGatePassed } from './gate.passed.ts'
import { admitIdentTaught } from './ident.taught.ts'
import { admitJobClosed } from './job.closed.ts'
import { admitJobOpened } from './job.opened.ts'
import { admitJobReopened } from './job.reopened.ts'
import { admitJobReturned } from './job.returned.ts'
import { admitJobScoped } from './job.scoped.ts'
import { admitMarkRead } from './mark.read.ts'
import { admitOrderArrived } from './order.arrived.ts'
import { admitOwnBend } from './own.bend.ts'
import { admitOwnDimension } from './own.dimension.ts'
import { admitOwnPart } from './own.part.ts'
import { admitOwnPort } from './own.port.ts'
import { admitOwnPublished } from './own.published.ts'
import { admitOwnSetting } from './own.setting.ts'
import { admitOwnSource } from './own.source.ts'
import { admitPartOff } from './part.off.ts'
import { admitPartOn } from './part.on.ts'
import { admitPartStuck } from './part.stuck.ts'
import { admitPassageBlown } from './passage.blown.ts'
import { admitPhotoPinned } from './photo.pinned.ts'
import { admitPortNoted } from './port.noted.ts'
import { admitProofAnswered } from './proof.answered.ts'
import { admitProofFitted } from './proof.fitted.ts'
import { admitProofMeasured } from './proof.measured.ts'
import { admitReadingTaken } from './reading.taken.ts'
import { admitSealSeen } from './seal.seen.ts'
import { admitSettingAdded } from './setting.added.ts'
import { always, type Admits } from './admit.ts'

export const admits: Admits = {
  'amend.kept': admitAmendKept,
  'asfound.noted': admitAsFoundNoted,
  'asfound.seen': admitAsFoundSeen,
  'asfound.skipped': always,
  'bath.in': admitBathIn,
  'bath.out': admitBathOut,
  'cal.chosen': admitCalChosen,
  'check.added': admitCheckAdded,
  'complaint.answered': always,
  'entry.struck': admitEntryStruck,
  'estimate.agreed': admitEstimateAgreed,
  'estimate.made': always,
  'evidence.weighed': admitEvidenceWeighed,
  'fastener.turned': admitFastenerTurned,
  'feature.seen': always,
  'finding.judged': admitFindingJudged,
  'gate.passed': admitGatePassed,
  'ident.chosen': always,
  'ident.taught': admitIdentTaught,
  'job.closed': admitJobClosed,
  'job.opened': admitJobOpened,
  'job.reopened': admitJobReopened,
  'job.returned': admitJobReturned,
  'job.scoped': admitJobScoped,
  'mark.read': admitMarkRead,
  'note.written': always,
  'order.arrived': admitOrderArrived,
  'order.placed': always,
  'own.bend': admitOwnBend,
  'own.dimension': admitOwnDimension,
  'own.part': admitOwnPart,
  'own.port': admitOwnPort,
  'own.published': admitOwnPublished,
  'own.setting': admitOwnSetting,
  'own.source': admitOwnSource,
  'part.off': admitPartOff,
  'part.on': admitPartOn,
  'part.stuck': admitPartStuck,
  'passage.blown': admitPassageBlown,
  'passage.cleaned': always,
  'photo.pinned': admitPhotoPinned,
  'photo.taken': always,
  'port.noted': admitPortNoted,
  'proof.answered': admitProofAnswered,
  'proof.fitted': admitProofFitted,
  'proof.measured': admitProofMeasured,
  'reading.taken': admitReadingTaken,
  'run.noted': always,
  'seal.seen': admitSealSeen,
  'sediment.seen': always,
  'setting.added': admitSettingAdded,
  'sign.seen': always,
  'teardown.unlocked': always,
  'test.noted': always,
  'test.repeated': always,
}
