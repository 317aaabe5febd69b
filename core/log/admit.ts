import * as v from 'valibot'
import type { Known } from '../claims/known.ts'
import type { Entry, UnsentEntry } from './entry.ts'
import { emptyJob, standingEntries, standings } from './fold.ts'
import type { SheetsByBody } from './kind.ts'
import { admitBodies, current, isNewer, kinds, type DataOf } from './kinds/index.ts'
import { inOurWords, issueSentence, uncleanAt, UNCLEAN_SENTENCE } from './issues.ts'
import { notAdmitted, type NotAdmitted } from './refusals.ts'
import { bodiesOf, bodyOf, type JobState } from './state.ts'

/** The schemas' own check: whether an entry's data is what its kind holds. Independent of the state. */
export function checkData(entry: UnsentEntry): NotAdmitted | undefined {
  const kind = kinds.get(entry.kind)
  if (!kind) return notAdmitted('kind', entry.kind)
  if (isNewer(entry)) return notAdmitted('newer')
  const unclean = uncleanAt(entry.data)
  if (unclean) return notAdmitted('data', UNCLEAN_SENTENCE, unclean)
  const read = v.safeParse(kind.schema, current(entry).data, inOurWords)
  if (read.success) return undefined
  const issue = read.issues[0]
  const field = v.getDotPath(issue) ?? undefined
  return notAdmitted('data', issueSentence(issue), field)
}

/** What may be said at any time: the engine is elsewhere, and tells its story after the return. */
const ALWAYS: ReadonlySet<string> = new Set(['note.written', 'job.reopened', 'sign.seen', 'run.noted'])

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
  const always = ALWAYS.has(entry.kind)
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
  return kind.admit(state, read, { sheets: sheets[read.body ?? 1], all: sheets, known, standing: false })
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

/** What stands in the place of an entry that was corrected or struck already. */
export function replacement(state: JobState, id: string): Entry | undefined {
  let here = state.log.find((entry) => entry.id === id)
  const standing = standings(state.log)
  while (here && standing.get(here.id) !== 'alive') {
    const target = here.id
    here = state.log.findLast(
      (entry) =>
        entry.corrects === target && entry.kind !== 'entry.struck' && standing.get(entry.id) !== 'struck',
    )
  }
  return here
}

function superseded(state: JobState, id: string): string {
  const newer = replacement(state, id)
  return newer
    ? `It was corrected already: ${newer.by} ${sentenceOf(newer)}. Aim again if that is wrong too.`
    : 'It was taken back already. Enter it anew if it is right.'
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
    const refused = itsKind.admit(
      refolded,
      { ...standing, corrects: undefined },
      { sheets: sheets[standing.body ?? 1], all: sheets, standing: standing.id !== entry.id },
    )
    if (refused) {
      if (standing.id === entry.id) return refused
      return notAdmitted('later ones', sentenceOf(standing), refused.sentence)
    }
    refolded = itsKind.apply(refolded, standing)
  }
  return undefined
}

/** An entry's line in the history. */
export function sentenceOf(
  entry: Pick<UnsentEntry, 'kind' | 'v' | 'data'>,
  name: (position: string) => string = (code) => code,
  money: (minor: number) => string = (minor) => `${minor} minor units`,
): string {
  const kind = kinds.get(entry.kind)
  return kind && !isNewer(entry)
    ? kind.sentence(current(entry).data, name, money)
    : 'something that a newer version wrote'
}
