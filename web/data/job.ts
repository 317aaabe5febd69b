import { newId } from './id'
import type { JobAnswer } from '@ekrond/contract/jobs'
import {
  bodiesOf,
  bodyOf,
  current,
  emptyJob,
  fold,
  growTo,
  kinds,
  notAdmitted,
  standings,
  stepAll,
  type BodyState,
  type DataOf,
  type Entry,
  type Ident,
  type JobState,
  type NotAdmitted,
  type SheetsByBody,
  type UnsentEntry,
} from '@ekrond/core/log'
import { admit } from '@ekrond/core/bench/admit'
import type { Known } from '@ekrond/core/claims'
import type { Sheets } from '@ekrond/core/sheets'
import { lastOwn, lastOwnAct, lastUndoneAct } from '@ekrond/core/bench/stations'
import type { StationName } from '@ekrond/core/base/stations'
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useMemo } from 'react'
import { useSearchParams } from 'react-router'
import { isRefusal } from '@ekrond/core/base/refusal'
import { jobSheets, mongrelSheets, taughtSheets } from '@ekrond/core/taught'
import { call, type ApiError } from './api'
import { grown } from './catch-up'
import { stampNow } from './clock'
import { draftKey } from './draft'
import { useFamilies } from './families'
import { keepSheets, sheetsQuery } from './library'
import { usePerson } from './person'
import { enqueue, useQueue } from './queue'

export type AddEntry = <K extends keyof DataOf>(
  kind: K,
  data: DataOf[K],
  more?: { corrects?: string },
) => NotAdmitted | undefined
export type NewEntry = {
  [K in keyof DataOf]: { kind: K; data: DataOf[K]; corrects?: string; body?: number }
}[keyof DataOf]

export interface OpenJob {
  job: string
  number: number | null
  letter: string
  state: JobState
  /** which of the job's bodies this screen works on, from 1 */
  body: number
  bodies: number
  /** that body, as the log says */
  here: BodyState
  /** its sheets */
  sheets: Sheets | undefined
  /** the sheets of every body that is identified */
  all: SheetsByBody
  /** address of a station of this job, for this body or another */
  to(station: StationName | 'history' | 'why' | 'engine', body?: number, asOf?: number): string
  /** what library and gauge drawer know beyond the log */
  known: Known
  /** the entry up to which the log is shown; 0 for all of it */
  asOf: number
  /** the whole log, also while it is shown as it stood once */
  entries: JobAnswer['entries']
  /** where what is typed into a field is kept until it is entered */
  draft(station: string, code: string, place?: string): string
  /** entries that are not in the log yet */
  pending: readonly UnsentEntry[]
  /** admits against what is on screen and queues; a refusal comes back with its sentence and nothing is queued */
  add: AddEntry
  /** several that belong together: each is admitted behind the ones before it, and all go or none */
  addAll(items: readonly NewEntry[]): NotAdmitted | undefined
  /** the entry of a kind that stands, for its correction */
  standing<K extends keyof DataOf>(kind: K, fits?: (data: DataOf[K]) => boolean): Entry | undefined
  /** what an undo would take back here */
  lastOwn(station: StationName): Entry | undefined
  /** strikes one's own last entry at a station; a sentence where it cannot be taken back, else empty */
  takeBack(station: StationName, why?: string): string
  /** gives back what one struck last there; a sentence where it cannot be, else empty */
  giveBack(station: StationName): string
}

const NOTHING: Known = {}

const struck =
  (why: string) =>
  ({ id }: Entry): NewEntry => ({ kind: 'entry.struck', data: { why }, corrects: id })

/** The states of logs as this window last folded them: an answer that goes on from one is a step, not a fold. */
const confirmedStates = new Map<string, JobState>()
const MOST_KEPT = 20

function confirmedState(job: string, log: readonly Entry[]): JobState {
  const state = growTo(confirmedStates.get(job) ?? emptyJob(job), log)
  confirmedStates.delete(job)
  confirmedStates.set(job, state)
  if (confirmedStates.size > MOST_KEPT) confirmedStates.delete(confirmedStates.keys().next().value!)
  return state
}

export type JobLoad =
  | { status: 'loading' }
  | { status: 'missing'; sentence: string }
  | { status: 'away'; sentence: string; again: () => void }
  | { status: 'open'; open: OpenJob }

/** A job by number or uuid: the confirmed log with this browser's unsent entries on top, folded. The body is the address's. */
export function useJob(key: string): JobLoad {
  const client = useQueryClient()
  const { person } = usePerson()
  const [search] = useSearchParams()
  const query = useQuery<JobAnswer, ApiError>({
    queryKey: ['job', key],
    queryFn: async () => {
      const answer = await call<JobAnswer>(`/api/jobs/${encodeURIComponent(key)}`)
      for (const sheets of Object.values(answer.sheets)) keepSheets(client, sheets)
      return grown(answer, client.getQueryData<JobAnswer>(['job', key]))
    },
    retry: (failures, error) => error.passing && failures < 3,
    retryDelay: (attempt) => Math.min(500 * 2 ** attempt, 4000),
    staleTime: 30_000,
    // A job that was just taken in gets its number in the address: what is known under its uuid is that job.
    initialData: () =>
      client
        .getQueriesData<JobAnswer>({ queryKey: ['job'] })
        .map(([, known]) => known)
        .find((known) => known && (known.job === key || String(known.number) === key)),
  })
  const queue = useQueue()
  const answer = query.data
  const job = answer?.job ?? key
  const asOf = Number(search.get('asof')) || 0
  const confirmed = useMemo(() => {
    const log = (answer?.entries ?? []) as Entry[]
    return asOf
      ? fold(
          job,
          log.filter((entry) => entry.seq <= asOf),
        )
      : confirmedState(job, log)
  }, [job, answer?.entries, asOf])
  const pending = useMemo(
    () =>
      (asOf ? [] : queue.waiting)
        .filter((item) => item.job === job && !confirmed.log.some((entry) => entry.id === item.id))
        .map((item) => item.entry),
    [queue.waiting, job, confirmed, asOf],
  )
  const state = useMemo(
    () =>
      pending.length
        ? stepAll(
            confirmed,
            pending.map((entry, i) => ({ ...entry, seq: confirmed.seq + i + 1, receivedAt: entry.at })),
          )
        : confirmed,
    [confirmed, pending],
  )
  const bodies = bodiesOf(state)
  const body = Math.min(Math.max(1, Number(search.get('body')) || 1), bodies)
  const idents = useMemo(
    () =>
      Object.entries(state.bodies).flatMap(([number, { ident, taught }]) =>
        ident && !taught ? [{ number, ident }] : [],
      ),
    [state.bodies],
  )
  const fetched = useQueries({
    queries: idents.flatMap(({ ident }) => [
      sheetsQuery(ident.specRev, ident.buildRev),
      ...(ident.lower ? [sheetsQuery(ident.lower.specRev, ident.lower.buildRev)] : []),
    ]),
    combine: useCallback(
      (found: { data?: Sheets | undefined }[]): SheetsByBody => byBody(idents, found),
      [idents],
    ),
  })

  const families = useFamilies(Object.values(state.bodies).some(({ taught }) => taught))
  const all = useMemo(
    () => jobSheets(state, families ? { ...fetched, ...taughtSheets(state, families) } : fetched),
    [fetched, families, state],
  )

  const known = useMemo((): Known => answer?.known ?? NOTHING, [answer])

  const addAll = useCallback(
    (items: readonly NewEntry[]) => {
      let grown = state
      const entries: UnsentEntry[] = []
      if (asOf) return notAdmitted('as of')
      for (const { kind, data, corrects, body: other } of items) {
        const target = corrects ? state.log.find((entry) => entry.id === corrects) : undefined
        const ofBody = target ? target.body : kinds.get(kind)!.ofBody ? (other ?? body) : undefined
        const entry: UnsentEntry = {
          id: newId(),
          job,
          kind,
          v: kinds.get(kind)!.version,
          ...(ofBody === undefined ? {} : { body: ofBody }),
          data,
          by: person ?? 'unnamed',
          at: stampNow(),
          ...(corrects ? { corrects } : {}),
          saw: confirmed.seq,
          // What is entered in one act belongs together: all or none of it is taken.
          ...(entries.length ? { after: entries.at(-1)!.id } : {}),
        }
        const refused = admit(grown, entry, all, known)
        if (refused) return refused
        grown = stepAll(grown, [{ ...entry, seq: grown.seq + 1, receivedAt: entry.at }])
        entries.push(entry)
      }
      enqueue(entries)
      return undefined
    },
    [job, state, confirmed.seq, all, known, body, person, asOf],
  )
  const add = useCallback<AddEntry>(
    (kind, data, more = {}) => addAll([{ kind, data, ...more } as NewEntry]),
    [addAll],
  )
  const standing = useCallback<OpenJob['standing']>(
    (kind, fits) => {
      const stands = standings(state.log)
      return state.log.findLast(
        (entry) =>
          entry.kind === kind &&
          stands.get(entry.id) === 'alive' &&
          (!kinds.get(kind)!.ofBody || (entry.body ?? 1) === body) &&
          (!fits || fits(current(entry).data as never)),
      )
    },
    [state, body],
  )
  const takeBack = useCallback(
    (station: StationName, why = '') => {
      const act = lastOwnAct(state, person, station, body)
      if (act.length === 0) return 'You have nothing to undo on this screen.'
      return addAll(act.map(struck(why)))?.sentence ?? ''
    },
    [state, person, body, addAll],
  )
  const giveBack = useCallback(
    (station: StationName) => {
      const act = lastUndoneAct(state, person, station, body)
      if (act.length === 0) return 'You have nothing to redo on this screen.'
      return addAll(act.map(struck(state.returned ? 'given back' : '')))?.sentence ?? ''
    },
    [state, person, body, addAll],
  )
  const address = String(answer?.number ?? job)
  if (answer || state.opened)
    return {
      status: 'open',
      open: {
        job,
        number: answer?.number ?? null,
        letter: answer?.letter ?? '',
        state,
        body,
        bodies,
        here: bodyOf(state, body),
        sheets: all[body],
        all,
        known,
        asOf,
        entries: answer?.entries ?? [],
        to: (station, other = body, at = asOf) => {
          const query = [other > 1 ? `body=${other}` : '', at ? `asof=${at}` : ''].filter(Boolean).join('&')
          return `/jobs/${address}/${station}${query ? `?${query}` : ''}`
        },
        draft: (station, code, place) => draftKey(job, station, code, place, body),
        pending,
        add,
        addAll,
        standing,
        lastOwn: (station) => lastOwn(state, person, station, body),
        takeBack,
        giveBack,
      },
    }
  if (query.isError && !query.error.passing) return { status: 'missing', sentence: query.error.message }
  // While it is asked again it is still away.
  if (query.isError || query.errorUpdateCount > 0)
    return {
      status: 'away',
      sentence: query.error?.message ?? 'The server cannot be reached.',
      again: () => void query.refetch(),
    }
  return { status: 'loading' }
}

/** Each body's sheets out of those that were fetched in the same order: one pair, or two where its body is another list number's. */
function byBody(
  idents: readonly { number: string; ident: Ident }[],
  found: readonly { data?: Sheets | undefined }[],
): SheetsByBody {
  let at = 0
  const sheets: Record<number, Sheets | undefined> = {}
  for (const { number, ident } of idents) {
    const upper = found[at++]?.data
    const lower = ident.lower ? found[at++]?.data : undefined
    const both = upper && lower ? mongrelSheets(upper, lower) : undefined
    sheets[Number(number)] = ident.lower ? (both && !isRefusal(both) ? both : undefined) : upper
  }
  return sheets
}
