import type { Known } from '../../claims/index.ts'
import {
  bodiesOf,
  bodyOf,
  checkData,
  current,
  emptyJob,
  isNewer,
  kinds,
  notAdmitted,
  replacement,
  sentenceOf,
  standingEntries,
  standings,
  type DataOf,
  type Entry,
  type JobState,
  type NotAdmitted,
  type SheetsByBody,
  type UnsentEntry,
} from '../../log/index.ts'
import type { Admit, EntryKind } from './admit.ts'
import { admitBodies } from './job.opened.ts'
import { admits } from './kinds.ts'

export { sourcesHere } from './part.on.ts'

const admitOf = (kind: string): Admit<EntryKind> => admits[kind as EntryKind] as Admit<EntryKind>

/**
 * Whether an entry can be true given the log. Judgements that differ are admitted; what cannot be (off twice, on before off,
 * a correction of something already corrected) is refused with a sentence.
 */
export function admit(
  state: JobState,
  entry: UnsentEntry,
  sheets: SheetsByBody = {},
  known?: Known,
): NotAdmitted | undefined {
  const malformed = checkData(entry)
  if (malformed) return malformed
  const read = current(entry)
  const kind = kinds.get(entry.kind)!
  if (!state.opened && entry.kind !== 'job.opened') return notAdmitted('not open')
  const { always } = kind
  if (state.returned && !always) {
    const refused = admitAfterReturn(state, entry)
    if (refused) return refused
  }
  if (state.closed && !always && entry.kind !== 'entry.struck') return notAdmitted('closed', state.closed.why)
  const bodies = admitBody(state, read)
  if (bodies) return bodies
  const { ended } = kind.ofBody ? bodyOf(state, read.body) : { ended: null }
  if (ended && !always && !entry.corrects) return notAdmitted('ended', read.body ?? 1, ended.why)
  if (entry.corrects) return admitCorrection(state, read, sheets)
  return admitOf(entry.kind)(state, read as never, {
    sheets: sheets[read.body ?? 1],
    all: sheets,
    known,
    standing: false,
  })
}

/** After the return only notes, reopening, and corrections, which make a new revision of the sheet. */
function admitAfterReturn(state: JobState, entry: UnsentEntry): NotAdmitted | undefined {
  if (!entry.corrects) return notAdmitted('went back')
  if (entry.corrects === state.returned!.entry) return notAdmitted('return stands')
  const unsaid = entry.kind === 'entry.struck' && !(entry.data as DataOf['entry.struck']).why.trim()
  return unsaid ? notAdmitted('why after') : undefined
}

function admitBody(state: JobState, entry: UnsentEntry): NotAdmitted | undefined {
  if (entry.kind === 'job.opened') return admitBodies(state, (entry.data as DataOf['job.opened']).bodies)
  const most = bodiesOf(state)
  return (entry.body ?? 1) > most ? notAdmitted('body', entry.body ?? 1, most) : undefined
}

function superseded(state: JobState, id: string): string {
  const newer = replacement(state, id)
  return newer
    ? `It was corrected already: ${newer.by} ${sentenceOf(newer)}. Correct again if that is wrong too.`
    : 'It was undone already. Enter it again if it is right.'
}

function admitCorrection(state: JobState, entry: UnsentEntry, sheets: SheetsByBody): NotAdmitted | undefined {
  const target = state.log.find((other) => other.id === entry.corrects)
  if (!target) return notAdmitted('no target')
  const strike = entry.kind === 'entry.struck'
  if (strike && target.kind === 'own.published')
    return notAdmitted('published', (target.data as { listNumber: string }).listNumber)
  const kind = kinds.get(entry.kind)!
  if (!strike) {
    const sameKey =
      target.kind === entry.kind &&
      (target.body ?? 1) === (entry.body ?? 1) &&
      (entry.kind === 'ident.chosen' || kind.key(current(target).data) === kind.key(entry.data))
    if (!sameKey) return notAdmitted('other thing')
  }
  if (standings(state.log).get(target.id) !== 'alive')
    return notAdmitted('superseded', superseded(state, target.id))

  // Everything that stands afterwards must still be admissible, in its order.
  const seq = state.seq + 1
  const after: Entry[] = [...state.log, { ...entry, seq, receivedAt: entry.at }]
  let refolded = emptyJob(state.job)
  for (const row of standingEntries(after)) {
    const itsKind = kinds.get(row.kind)
    if (!itsKind || isNewer(row)) continue
    const standing = current(row)
    const refused = admitOf(standing.kind)(refolded, { ...standing, corrects: undefined } as never, {
      sheets: sheets[standing.body ?? 1],
      all: sheets,
      standing: standing.id !== entry.id,
    })
    if (refused) {
      if (standing.id === entry.id) return refused
      return notAdmitted('later ones', sentenceOf(standing), refused.sentence)
    }
    refolded = itsKind.apply(refolded, standing)
  }
  return undefined
}
