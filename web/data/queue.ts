import type { AppendAnswer } from '@ekrond/contract/jobs'
import type { UnsentEntry } from '@ekrond/core/job'
import { useSyncExternalStore } from 'react'
import { ApiError, post } from './api'
import { sendable } from './sendable'
import { store, type Queued } from './store'

const MOST_AT_ONCE = 100
const FIRST_WAIT_MS = 400
const LONGEST_WAIT_MS = 4000

/** Entries that wait or were refused, as this window sees them, and whether the server could be reached last time. */
export interface QueueView {
  waiting: readonly Queued[]
  refused: readonly Queued[]
  away: boolean
}

let view: QueueView = { waiting: [], refused: [], away: false }
const watchers = new Set<() => void>()
const channel = new BroadcastChannel('ekrond')
type Settled = (job: string, answer: AppendAnswer) => Promise<void>
const settledWatchers = new Set<Settled>()
let leading = false
/** Shown already, and not yet in this browser's store. */
let onTheWay: Queued[] = []
let pumping = false
let again = false

export const useQueue = (): QueueView =>
  useSyncExternalStore(
    (changed) => {
      watchers.add(changed)
      return () => watchers.delete(changed)
    },
    () => view,
  )

/** Called in every window when some of a job's entries were answered. */
export function onSettled(watcher: Settled): () => void {
  settledWatchers.add(watcher)
  return () => settledWatchers.delete(watcher)
}

/** Puts entries in the queue; they are on screen at once and go out in order. */
export async function enqueue(entries: readonly UnsentEntry[]): Promise<void> {
  const queued = entries.map((entry): Queued => ({ id: entry.id, job: entry.job, entry }))
  onTheWay.push(...queued)
  show({ ...view, waiting: [...view.waiting, ...queued] })
  const write = (await store()).transaction('queue', 'readwrite')
  await Promise.all([...queued.map((item) => write.store.add(item)), write.done])
  onTheWay = onTheWay.filter((item) => !queued.includes(item))
  await refresh()
  channel.postMessage({ type: 'queued' })
  if (leading) void pump()
}

/** Drops a refused entry, for good. */
export async function dropRefused(id: string): Promise<void> {
  const db = await store()
  const key = await db.getKeyFromIndex('queue', 'id', id)
  if (key !== undefined) await db.delete('queue', key)
  await refresh()
  channel.postMessage({ type: 'queued' })
}

/** This window sends for all of them from now on (the caller holds the lock). */
export function lead(): void {
  leading = true
  void pump()
}

channel.onmessage = (
  event: MessageEvent<{ type: string; job?: string; answer?: AppendAnswer; away?: boolean }>,
) => {
  const { type, job, answer, away } = event.data
  if (type === 'queued') {
    void refresh()
    if (leading) void pump()
  }
  if (type === 'settled' && job && answer)
    void Promise.all([...settledWatchers].map((watcher) => watcher(job, answer))).then(refresh)
  if (type === 'away') show({ ...view, away: away ?? false })
}

async function refresh(): Promise<void> {
  const stored = await (await store()).getAll('queue')
  const all = [...stored, ...onTheWay.filter((item) => !stored.some((other) => other.id === item.id))]
  show({ ...view, waiting: all.filter((item) => !item.refused), refused: all.filter((item) => item.refused) })
}
void refresh()

function show(next: QueueView) {
  view = next
  watchers.forEach((watcher) => watcher())
}

function setAway(away: boolean) {
  if (view.away === away) return
  show({ ...view, away })
  channel.postMessage({ type: 'away', away })
}

/** Sends what waits, job by job, in order; jobs do not hold each other up. Network trouble backs off and keeps the order. */
async function pump(): Promise<void> {
  if (pumping) {
    again = true
    return
  }
  pumping = true
  let wait = FIRST_WAIT_MS
  try {
    for (;;) {
      again = false
      const jobs = sendable(await (await store()).getAll('queue'), MOST_AT_ONCE)
      let trouble = false
      for (const [job, items] of jobs) {
        const outcome = await sendJob(job, items)
        if (outcome === 'away') trouble = true
      }
      setAway(trouble)
      if (trouble) {
        await new Promise((resolve) => setTimeout(resolve, wait))
        wait = Math.min(wait * 2, LONGEST_WAIT_MS)
      } else if (!again && jobs.size === 0) return
      else wait = FIRST_WAIT_MS
    }
  } finally {
    pumping = false
  }
}

async function sendJob(job: string, items: readonly Queued[]): Promise<'sent' | 'away'> {
  const db = await store()
  let answer: AppendAnswer
  try {
    answer = await post<AppendAnswer>(`/api/jobs/${job}/entries`, {
      entries: items.map((item) => item.entry),
    })
  } catch (error) {
    if (error instanceof ApiError && !error.passing) {
      // The whole request was turned down: each entry keeps its text, with the reason.
      for (const item of items)
        await db.put('queue', {
          ...item,
          refused: {
            code: 'request',
            sentence: error.message,
            ...(error.field ? { field: error.field } : {}),
          },
        })
      await refresh()
      return 'sent'
    }
    return 'away'
  }
  // The log first, then the queue: an entry is never in neither.
  await Promise.all([...settledWatchers].map((watcher) => watcher(job, answer)))
  for (const one of answer.answers) {
    const item = items.find((other) => other.id === one.id)
    if (!item?.order) continue
    if (one.outcome === 'refused')
      await db.put('queue', {
        ...item,
        refused: { code: one.code, sentence: one.sentence, ...(one.field ? { field: one.field } : {}) },
      })
    else await db.delete('queue', item.order)
  }
  await refresh()
  channel.postMessage({ type: 'settled', job, answer })
  return 'sent'
}
