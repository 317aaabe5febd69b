import * as v from 'valibot'
import { refusal, type Entry, type Refusal, type UnsentEntry } from './entry.ts'
import { standingEntries, standings } from './fold.ts'
import type { SheetsByBody } from './kind.ts'
import { admitBodies, current, isNewer, kinds, type DataOf } from './kinds/index.ts'
import { bodiesOf, emptyJob, type JobState } from './state.ts'

/** The schemas' own check: whether an entry's data is what its kind holds. Independent of the state. */
export function checkData(entry: UnsentEntry): Refusal | undefined {
  const kind = kinds.get(entry.kind)
  if (!kind)
    return refusal(
      'kind',
      `This program does not know entries of the kind ${entry.kind}. Reload the page.`,
      'kind',
    )
  if (isNewer(entry)) return refusal('newer', 'This entry comes from a newer version. Reload the page.', 'v')
  const read = v.safeParse(kind.schema, current(entry).data)
  if (read.success) return undefined
  const issue = read.issues[0]
  const field = v.getDotPath(issue) ?? undefined
  return refusal('data', field ? `${fieldWords(field)}: ${issue.message}` : issue.message, field)
}

/**
 * Whether an entry can be true given the log. Judgements that differ are admitted; what cannot be (off twice, on before off,
 * a correction of something already corrected) is refused with a sentence.
 */
export function admit(state: JobState, entry: UnsentEntry, sheets: SheetsByBody = {}): Refusal | undefined {
  const malformed = checkData(entry)
  if (malformed) return malformed
  const read = current(entry)
  const kind = kinds.get(entry.kind)!
  if (!state.opened && entry.kind !== 'job.opened')
    return refusal('not open', 'There is no such job yet: its first entry opens it.')
  const always = entry.kind === 'note.written' || entry.kind === 'job.reopened'
  if (state.returned && !always) {
    const refused = admitAfterReturn(state, entry)
    if (refused) return refused
  }
  if (state.closed && !always && entry.kind !== 'entry.struck')
    return refusal('closed', `The job is closed (${state.closed.why}). Open it again first.`)
  const bodies = admitBody(state, read)
  if (bodies) return bodies
  if (entry.corrects) return admitCorrection(state, read, sheets)
  return kind.admit(state, read, { sheets: sheets[read.body ?? 1], all: sheets, standing: false })
}

/** After the return only notes, reopening, and corrections, which make a new revision of the sheet. */
function admitAfterReturn(state: JobState, entry: UnsentEntry): Refusal | undefined {
  if (!entry.corrects)
    return refusal(
      'returned',
      'It went back. Notes and corrections can be added; open the job again for more.',
    )
  return entry.corrects === state.returned!.entry
    ? refusal('returned', 'A return is not taken back: the sheet went out with it. Open the job again.')
    : undefined
}

function admitBody(state: JobState, entry: UnsentEntry): Refusal | undefined {
  if (entry.kind === 'job.opened') return admitBodies(state, (entry.data as DataOf['job.opened']).bodies)
  const most = bodiesOf(state)
  return (entry.body ?? 1) > most
    ? refusal(
        'body',
        most === 1
          ? 'This job has one body.'
          : `This job has ${most} bodies; there is no body ${entry.body}.`,
        'body',
      )
    : undefined
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

function admitCorrection(state: JobState, entry: UnsentEntry, sheets: SheetsByBody): Refusal | undefined {
  const target = state.log.find((other) => other.id === entry.corrects)
  if (!target) return refusal('no target', 'What this corrects is not in the job’s log.', 'corrects')
  const strike = entry.kind === 'entry.struck'
  const kind = kinds.get(entry.kind)!
  if (!strike) {
    const sameKey =
      target.kind === entry.kind &&
      (target.body ?? 1) === (entry.body ?? 1) &&
      (entry.kind === 'ident.chosen' || kind.key(current(target).data) === kind.key(entry.data))
    if (!sameKey)
      return refusal('other thing', 'A correction must be of the same thing as what it corrects.', 'corrects')
  }
  if (standings(state.log).get(target.id) !== 'alive')
    return refusal('superseded', superseded(state, target.id), 'corrects')

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
      return refusal(
        'later ones',
        `${sentenceOf(standing)} rests on it: ${refused.sentence} Take that back first.`,
        'corrects',
      )
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

const fieldWords = (path: string): string =>
  path
    .split('.')
    .at(-1)!
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()
