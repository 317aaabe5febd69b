import { MOST_DATA_BYTES, type AppendAnswer, type EntryAnswer } from '@ekrond/contract/jobs'
import {
  type DataOf,
  actsOf,
  afterReturn,
  bodyOf,
  checkData,
  checkLetter,
  fold,
  notAdmitted,
  stepAll,
  type Entry,
  type JobState,
  type NotAdmitted,
  type SheetsByBody,
  type UnsentEntry,
} from '@ekrond/core/log'
import { admit } from '@ekrond/core/bench/admit'
import { templates } from '@ekrond/core/unit/families/templates'
import { isRefusal } from '@ekrond/core/base/refusal'
import { forBook, jobSheets, mongrelSheets, taughtSheets } from '@ekrond/core/taught'
import { summarise } from '@ekrond/core/bench/stations'
import type { Sheets } from '@ekrond/core/sheets'
import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import type { Clock } from '../clock.ts'
import { correctBook, mayCorrectBook, mayPublish, publish } from '../library/publish.ts'
import { inTransaction, type Client, type Pool, type Queryable } from '../db/pool.ts'
import { ProblemError } from '../http/problem.ts'
import { inTurns } from '../http/turns.ts'
import { returnSheets } from '@ekrond/core/bench/return-sheet'
import { knownOf } from './known.ts'
import {
  insertEntries,
  insertJob,
  insertReturnSheet,
  lockJob,
  notifyJob,
  selectEntries,
  selectKnownIds,
  selectSheets,
  updateJob,
} from './jobs.sql.ts'

const MOST_CACHED = 200

/** Job → state as this process last saw it. A pure cache: newer rows are read under the lock, so any number of processes stay right. */
export interface JobCache {
  state(db: Queryable, job: string): Promise<JobState>
  /** the sheets of each body that is identified, with what was chosen for the job in place */
  sheets(db: Queryable, state: JobState): Promise<SheetsByBody>
  /** the same as their immutable revisions have them */
  asPrinted(db: Queryable, state: JobState): Promise<SheetsByBody>
  keep(state: JobState): void
  forget(): void
}

export function jobCache(): JobCache {
  const states = new Map<string, JobState>()
  const sheetsByRevision = new Map<string, Sheets>()
  const find = async (db: Queryable, { specRev, buildRev }: { specRev: string; buildRev: string }) => {
    const key = `${specRev}|${buildRev}`
    const found = sheetsByRevision.get(key) ?? (await selectSheets(db, specRev, buildRev))
    if (found) {
      sheetsByRevision.delete(key)
      sheetsByRevision.set(key, found)
      if (sheetsByRevision.size > MOST_CACHED) sheetsByRevision.delete(sheetsByRevision.keys().next().value!)
    }
    return found
  }
  const keep = (state: JobState) => {
    states.delete(state.job)
    states.set(state.job, state)
    if (states.size > MOST_CACHED) states.delete(states.keys().next().value!)
  }
  return {
    keep,
    forget: () => {
      states.clear()
      sheetsByRevision.clear()
    },
    async state(db, job) {
      const known = states.get(job) ?? fold(job, [])
      const newer = await selectEntries(db, job, known.seq)
      const state = newer.length ? stepAll(known, newer) : known
      if (state.seq > 0) keep(state)
      return state
    },
    async sheets(db, state) {
      return jobSheets(state, await asPrinted(db, state))
    },
    asPrinted,
  }

  async function asPrinted(db: Queryable, state: JobState): Promise<SheetsByBody> {
    const result: Record<number, Sheets | undefined> = { ...taughtSheets(state, templates) }
    for (const [number, { ident, taught }] of Object.entries(state.bodies)) {
      if (!ident || taught) continue
      const upper = await find(db, ident)
      const lower = ident.lower && (await find(db, ident.lower))
      if (!upper || (ident.lower && !lower)) continue
      const sheets = lower ? mongrelSheets(upper, lower) : upper
      if (!isRefusal(sheets)) result[Number(number)] = sheets
    }
    return result
  }
}

export interface Appender {
  append(job: string, entries: readonly UnsentEntry[]): Promise<AppendAnswer>
}

/**
 * Appends entries to one job: the job's row is locked, ids already there are answered as such, each other entry is admitted
 * against the state as it grows and gets the next seq; the projection is written and the append told in the same transaction.
 */
export function appender(pool: Pool, cache: JobCache, clock: Clock): Appender {
  return {
    async append(job, entries) {
      for (const entry of entries) {
        if (entry.job !== job)
          throw new ProblemError(400, 'Not one job', 'All entries of one request belong to one job.', 'job')
        if (Buffer.byteLength(JSON.stringify(entry.data ?? null)) > MOST_DATA_BYTES)
          throw new ProblemError(
            413,
            'Too much in one entry',
            'One entry holds at most 16 kB. Shorten its text.',
            'data',
          )
      }
      // Bodies are checked before the lock is taken; what fails here is refused all the same, in its place.
      const malformed = entries.map((entry) => checkData(entry))
      let grown: JobState | undefined
      const answer = await inTransaction(pool, async (client) => {
        await client.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [job])
        const row = await lockJob(client, job)
        const before = await cache.state(client, job)
        const turn = await admitAll(client, before, entries, malformed)
        if (turn.accepted.length === 0)
          return {
            answers: turn.answers,
            seq: before.seq,
            number: row?.number ?? null,
            letter: row ? checkLetter(row.number) : null,
          }
        grown = turn.state
        const summary = summarise(turn.state, await cache.sheets(client, turn.state))
        if (!summary) throw new Error('a log without its opening was admitted')
        const { number } = row ?? (await insertJob(client, summary))
        if (row) await updateJob(client, summary)
        await insertEntries(client, turn.accepted)
        for (const state of turn.returned) await storeSheet(client, state, number)
        for (const { entry, before: last, state } of turn.published)
          await publish(
            client,
            { state, before: bodyOf(last, entry.body).published },
            entry,
            // What was chosen for this job’s fuel and place is not the number’s own.
            forBook(taughtSheets(state, templates)[entry.body ?? 1]!, bodyOf(state, entry.body)),
          )
        for (const { entry, state } of turn.corrected) await correctBook(client, state, entry)
        await notifyJob(client, job, turn.state.seq)
        return { answers: turn.answers, seq: turn.state.seq, number, letter: checkLetter(number) }
      })
      if (grown) cache.keep(grown)
      return answer
    },
  }

  /** Act by act: of entries that chain by `after` all are admitted, each behind the ones before it, or none. */
  async function admitAll(
    client: Client,
    before: JobState,
    entries: readonly UnsentEntry[],
    malformed: (NotAdmitted | undefined)[],
  ) {
    const named = entries.flatMap(({ id, after }) => (after ? [id, after] : [id]))
    const known = new Map((await selectKnownIds(client, named)).map((entry) => [entry.id, entry]))
    const broken = new Map(entries.map((entry, i) => [entry.id, malformed[i]]))
    const turn = {
      answers: [] as EntryAnswer[],
      accepted: [] as Entry[],
      // Each state that made a sheet: as returned, and after each correction since.
      returned: [] as JobState[],
      // Each taught unit that goes into the library, with the state that it goes from.
      published: [] as { entry: Entry; before: JobState; state: JobState }[],
      // Each thing in which a unit showed its book to be wrong.
      corrected: [] as { entry: Entry; state: JobState }[],
      state: before,
    }
    const othersToo = inTurns()
    for (const act of actsOf(entries)) {
      const tried = await tryAct(client, turn.state, act)
      turn.answers.push(...tried.answers)
      if (tried.refused) continue
      turn.state = tried.state
      turn.accepted.push(...tried.accepted)
      turn.returned.push(...tried.returned)
      turn.published.push(...tried.published)
      turn.corrected.push(...tried.corrected)
      for (const entry of tried.accepted) known.set(entry.id, entry)
    }
    return turn

    async function tryAct(db: Client, from: JobState, act: readonly UnsentEntry[]) {
      const answers: EntryAnswer[] = []
      const accepted: Entry[] = []
      const returned: JobState[] = []
      const published: { entry: Entry; before: JobState; state: JobState }[] = []
      const corrected: { entry: Entry; state: JobState }[] = []
      let state = from
      for (const entry of act) {
        const same = known.get(entry.id)
        if (same) {
          mustBeSame(same, entry)
          answers.push({ id: entry.id, outcome: 'already', seq: same.seq, receivedAt: same.receivedAt })
          continue
        }
        const hangs =
          entry.after !== undefined &&
          known.get(entry.after)?.job !== entry.job &&
          !accepted.some(({ id }) => id === entry.after)
        // A strike goes through the whole log again: a page of them would hold everybody up.
        await othersToo()
        const sheets = await cache.sheets(db, state)
        const refused =
          broken.get(entry.id) ??
          (hangs ? notAdmitted('hangs on') : undefined) ??
          admit(state, entry, sheets, ASKS_MORE.has(entry.kind) ? await knownOf(db, state) : undefined) ??
          (await admitHere(db, state, entry))
        if (refused) return { refused, answers: noneOf(act, entry, refused, answers) }
        const placed: Entry = { ...entry, seq: state.seq + 1, receivedAt: clock().toISOString() }
        accepted.push(placed)
        const grown = stepAll(state, [placed])
        if (sheetIsNew(state, grown)) returned.push(grown)
        if (placed.kind === 'own.published') published.push({ entry: placed, before: state, state: grown })
        if (placed.kind === 'amend.kept') corrected.push({ entry: placed, state: grown })
        state = grown
        answers.push({ id: entry.id, outcome: 'accepted', seq: placed.seq, receivedAt: placed.receivedAt })
      }
      return { refused: undefined, answers, accepted, returned, published, corrected, state }
    }
  }

  async function storeSheet(client: Client, state: JobState, number: number): Promise<void> {
    const pages = returnSheets(state, await cache.sheets(client, state), number)
    if (pages.length === 0) return
    const sha256 = createHash('sha256').update(JSON.stringify(pages)).digest('hex')
    await insertReturnSheet(client, state.job, state.seq, pages[0]!.revision!, sha256, pages)
  }
}

/** Entries that are judged by what library and gauge drawer know beyond the log. */
const ASKS_MORE: ReadonlySet<string> = new Set(['job.returned', 'gate.passed'])

/** The answers to an act of which one entry was refused: that one has its reason, the others say that they belong to it. */
const noneOf = (
  act: readonly UnsentEntry[],
  culprit: UnsentEntry,
  refused: NotAdmitted,
  answered: readonly EntryAnswer[],
): EntryAnswer[] =>
  act.map((entry) => {
    const already = answered.find((one) => one.id === entry.id && one.outcome === 'already')
    if (already) return already
    const why = entry.id === culprit.id ? refused : notAdmitted('together', refused.sentence)
    return { id: entry.id, outcome: 'refused', ...why }
  })

/** An id stands for one entry for ever: sent again with anything else it is another entry that took its id. */
function mustBeSame(known: Entry, sent: UnsentEntry): void {
  const { seq: _seq, receivedAt: _at, ...stored } = known
  const instant = (at: string) => new Date(at).toISOString()
  if (!isDeepStrictEqual({ ...stored, at: instant(stored.at) }, { ...sent, at: instant(sent.at) }))
    throw new ProblemError(
      409,
      'Two entries with one id',
      'An entry with this id but different contents is already in the log. An edited entry needs a new id.',
      'id',
    )
}

/** It went back just now, or something was corrected after it did. */
const sheetIsNew = (before: JobState, now: JobState): boolean =>
  now.returned !== null &&
  (before.returned?.entry !== now.returned.entry ||
    afterReturn(before)!.corrections.length !== afterReturn(now)!.corrections.length)

/** What only the server knows: whether the revisions exist. */
async function admitHere(
  client: Client,
  state: JobState,
  entry: UnsentEntry,
): Promise<NotAdmitted | undefined> {
  if (entry.kind === 'own.published') return mayPublish(client, state, entry)
  if (entry.kind === 'amend.kept') return mayCorrectBook(client, state, entry)
  if (entry.kind !== 'ident.chosen') return undefined
  const { listNumber, specRev, buildRev, lower } = entry.data as DataOf['ident.chosen']
  const sheets = await selectSheets(client, specRev, buildRev)
  if (!sheets) return notAdmitted('revision', 'These sheets are not in the library. Reload and choose again.')
  if (lower) {
    const body = await selectSheets(client, lower.specRev, lower.buildRev)
    if (body?.spec.listNumber !== lower.listNumber)
      return notAdmitted('revision', `These sheets are not ${lower.listNumber}’s.`)
    const both = mongrelSheets(sheets, body)
    if (isRefusal(both)) return notAdmitted('revision', both.refused.why)
  }
  return sheets.spec.listNumber === listNumber && sheets.build.listNumber === listNumber
    ? undefined
    : notAdmitted('revision', `These sheets are not ${listNumber}’s.`)
}
