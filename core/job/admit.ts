import * as v from 'valibot'
import type { Sheets } from '../sheets/index.ts'
import { refusal, type Entry, type Refusal, type UnsentEntry } from './entry.ts'
import { standingEntries, standings } from './fold.ts'
import { kinds } from './kinds/index.ts'
import { emptyJob, type JobState } from './state.ts'

/** The schemas' own check: whether an entry's data is what its kind holds. Independent of the state. */
export function checkData(entry: UnsentEntry): Refusal | undefined {
  const kind = kinds.get(entry.kind)
  if (!kind)
    return refusal(
      'kind',
      `This program does not know entries of the kind ${entry.kind}. Reload the page.`,
      'kind',
    )
  if (entry.v > kind.version)
    return refusal('newer', 'This entry comes from a newer version. Reload the page.', 'v')
  const read = v.safeParse(kind.schema, entry.data)
  if (read.success) return undefined
  const issue = read.issues[0]
  const field = v.getDotPath(issue) ?? undefined
  return refusal('data', field ? `${fieldWords(field)}: ${issue.message}` : issue.message, field)
}

/**
 * Whether an entry can be true given the log. Judgements that differ are admitted; what cannot be (off twice, on before off,
 * a correction of something already corrected) is refused with a sentence.
 */
export function admit(state: JobState, entry: UnsentEntry, sheets?: Sheets): Refusal | undefined {
  const malformed = checkData(entry)
  if (malformed) return malformed
  const kind = kinds.get(entry.kind)!
  if (!state.opened && entry.kind !== 'job.opened')
    return refusal('not open', 'There is no such job yet: its first entry opens it.')
  const always = entry.kind === 'note.written' || entry.kind === 'job.reopened'
  if (state.returned && !always)
    return refusal('returned', 'It went back. Only notes can be added; open the job again for more.')
  if (state.closed && !always && entry.kind !== 'entry.struck')
    return refusal('closed', `The job is closed (${state.closed.why}). Open it again first.`)
  if (entry.corrects) return admitCorrection(state, entry, sheets)
  return kind.admit(state, entry, sheets)
}

function admitCorrection(
  state: JobState,
  entry: UnsentEntry,
  sheets: Sheets | undefined,
): Refusal | undefined {
  const target = state.log.find((other) => other.id === entry.corrects)
  if (!target) return refusal('no target', 'What this corrects is not in the job’s log.', 'corrects')
  const strike = entry.kind === 'entry.struck'
  const kind = kinds.get(entry.kind)!
  if (!strike) {
    const sameKey =
      target.kind === entry.kind &&
      (target.body ?? 1) === (entry.body ?? 1) &&
      (entry.kind === 'ident.chosen' || kind.key(target.data) === kind.key(entry.data))
    if (!sameKey)
      return refusal('other thing', 'A correction must be of the same thing as what it corrects.', 'corrects')
  }
  if (standings(state.log).get(target.id) !== 'alive')
    return refusal(
      'superseded',
      'It was corrected already. Look at the newer value and aim again.',
      'corrects',
    )

  // Everything that stands afterwards must still be admissible, in its order.
  const seq = state.seq + 1
  const after: Entry[] = [...state.log, { ...entry, seq, receivedAt: entry.at }]
  let refolded = emptyJob(state.job)
  for (const standing of standingEntries(after)) {
    const itsKind = kinds.get(standing.kind)
    if (!itsKind) continue
    // A return was judged by its gate when it happened.
    const refused =
      standing.kind === 'job.returned'
        ? undefined
        : itsKind.admit(refolded, { ...standing, corrects: undefined }, sheets)
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
  entry: Pick<UnsentEntry, 'kind' | 'data'>,
  name: (position: string) => string = (code) => code,
): string {
  const kind = kinds.get(entry.kind)
  return kind ? kind.sentence(entry.data, name) : 'something that a newer version wrote'
}

const fieldWords = (path: string): string =>
  path
    .split('.')
    .at(-1)!
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()
