import type { ListNumberAnswer } from '@ekrond/contract/library'
import type { JobAnswer, JobsAnswer } from '@ekrond/contract/jobs'
import type { MarketAnswer } from '@ekrond/contract/library'
import type { ShopAnswer } from '@ekrond/contract/shop'
import {
  admit,
  bodyOf,
  fold,
  kinds,
  standings,
  stepAll,
  type DataOf,
  type Entry,
  type JobState,
  type Refusal,
  type StationName,
  type UnsentEntry,
} from '@ekrond/core/job'
import type { Sheets } from '@ekrond/core/sheets'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useMemo } from 'react'
import { call, type ApiError } from './api'
import { usePerson } from './person'
import { enqueue, useQueue } from './queue'

export const useShop = () =>
  useQuery<ShopAnswer, ApiError>({ queryKey: ['shop'], queryFn: () => call('/api/shop'), staleTime: 60_000 })
export const useJobs = (q: string, status: string) =>
  useQuery<JobsAnswer, ApiError>({
    queryKey: ['jobs', q, status],
    queryFn: () => call(`/api/jobs?q=${encodeURIComponent(q)}&status=${status}`),
    placeholderData: (before) => before,
  })
export const useMarket = () =>
  useQuery<MarketAnswer, ApiError>({
    queryKey: ['market'],
    queryFn: () => call('/api/market'),
    staleTime: 60_000,
  })
export const listNumberQuery = (listNumber: string) => ({
  queryKey: ['list-number', listNumber],
  queryFn: () => call<ListNumberAnswer>(`/api/list-numbers/${encodeURIComponent(listNumber)}`),
  staleTime: 5 * 60_000,
})

export type AddEntry = <K extends keyof DataOf>(
  kind: K,
  data: DataOf[K],
  more?: { corrects?: string },
) => Refusal | undefined
export type NewEntry = { [K in keyof DataOf]: { kind: K; data: DataOf[K]; corrects?: string } }[keyof DataOf]

export interface OpenJob {
  job: string
  number: number | null
  letter: string
  state: JobState
  sheets: Sheets | undefined
  /** entries that are not in the log yet */
  pending: readonly UnsentEntry[]
  /** admits against what is on screen and queues; a refusal comes back with its sentence and nothing is queued */
  add: AddEntry
  /** several that belong together: each is admitted behind the ones before it, and all go or none */
  addAll(items: readonly NewEntry[]): Refusal | undefined
  /** one's own last entry at a station, or undefined */
  lastOwn(station: StationName): Entry | undefined
  /** strikes that one; a sentence where it cannot be taken back, else empty */
  takeBack(station: StationName): string
}

export type JobLoad =
  { status: 'loading' } | { status: 'missing'; sentence: string } | { status: 'open'; open: OpenJob }

/** A job by number or uuid: the confirmed log with this browser's unsent entries on top, folded. */
export function useJob(key: string): JobLoad {
  const client = useQueryClient()
  const { person } = usePerson()
  const query = useQuery<JobAnswer, ApiError>({
    queryKey: ['job', key],
    queryFn: () => call(`/api/jobs/${encodeURIComponent(key)}`),
    retry: (failures, error) => error.passing && failures < 100,
    retryDelay: (attempt) => Math.min(500 * 2 ** attempt, 4000),
    staleTime: 30_000,
  })
  const queue = useQueue()
  const answer = query.data
  const job = answer?.job ?? key
  const confirmed = useMemo(() => fold(job, (answer?.entries ?? []) as Entry[]), [job, answer?.entries])
  const pending = useMemo(
    () =>
      queue.waiting
        .filter((item) => item.job === job && !confirmed.log.some((entry) => entry.id === item.id))
        .map((item) => item.entry),
    [queue.waiting, job, confirmed],
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
  const ident = bodyOf(state).ident
  const served = answer?.sheets
  const cached = ident
    ? client.getQueryData<ListNumberAnswer>(['list-number', ident.listNumber])?.sheets
    : undefined
  const sheets = !ident
    ? undefined
    : served?.specRev === ident.specRev
      ? served
      : cached?.specRev === ident.specRev
        ? cached
        : (served ?? undefined)

  const addAll = useCallback(
    (items: readonly NewEntry[]) => {
      let grown = state
      const entries: UnsentEntry[] = []
      for (const { kind, data, corrects } of items) {
        const entry: UnsentEntry = {
          id: crypto.randomUUID(),
          job,
          kind,
          v: kinds.get(kind)!.version,
          body: 1,
          data,
          by: person ?? 'unnamed',
          at: new Date().toISOString(),
          ...(corrects ? { corrects } : {}),
        }
        const refused = admit(grown, entry, sheets)
        if (refused) return refused
        grown = stepAll(grown, [{ ...entry, seq: grown.seq + 1, receivedAt: entry.at }])
        entries.push(entry)
      }
      void enqueue(entries)
      return undefined
    },
    [job, state, sheets, person],
  )
  const add = useCallback<AddEntry>(
    (kind, data, more = {}) => addAll([{ kind, data, ...more } as NewEntry]),
    [addAll],
  )
  const lastOwn = useCallback(
    (station: StationName) => {
      const standing = standings(state.log)
      return state.log.findLast(
        (entry) =>
          entry.by === person &&
          kinds.get(entry.kind)?.station === station &&
          standing.get(entry.id) === 'alive',
      )
    },
    [state, person],
  )
  const takeBack = useCallback(
    (station: StationName) => {
      const last = lastOwn(station)
      if (!last) return 'Nothing of yours stands here to take back.'
      return add('entry.struck', { why: '' }, { corrects: last.id })?.sentence ?? ''
    },
    [lastOwn, add],
  )
  if (answer || state.opened)
    return {
      status: 'open',
      open: {
        job,
        number: answer?.number ?? null,
        letter: answer?.letter ?? '',
        state,
        sheets,
        pending,
        add,
        addAll,
        lastOwn,
        takeBack,
      },
    }
  if (query.isError && !query.error.passing) return { status: 'missing', sentence: query.error.message }
  return { status: 'loading' }
}
