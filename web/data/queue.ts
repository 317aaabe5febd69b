import type { AppendAnswer } from '@ekrond/contract/jobs'
import { actsOf, type UnsentEntry } from '@ekrond/core/log'
import { useSyncExternalStore } from 'react'
import { ApiError, post } from './api'
import { openChannel } from './local'
import { arrived, leftBehind, setOut } from './on-the-way'
import { picturesArrived, picturesOf, sendPictures } from './pictures'
import { sendable } from './sendable'
import { addQueued, dropQueued, isKeeping, onKeeping, putQueued, queued, type Queued } from './store'

const MOST_AT_ONCE = 100
const FIRST_WAIT_MS = 400
const LONGEST_WAIT_MS = 4000
/** The server's own failure at the same act so often makes it step aside. */
const MOST_FAILURES = 3

/** Entries that wait or were refused, as this window sees them, and whether the server could be reached last time. */
export interface QueueView {
  waiting: readonly Queued[]
  refused: readonly Queued[]
  away: boolean
  /** whether what waits survives this window */
  keeps: boolean
}

let view: QueueView = { waiting: [], refused: [], away: false, keeps: true }
const watchers = new Set<() => void>()
type Settled = (job: string, answer: AppendAnswer) => Promise<void>
const settledWatchers = new Set<Settled>()
let leading = false
/** Shown already, and not yet in this browser's store. */
let onTheWay: Queued[] = []
let pumping = false
/** Ends the pause after trouble, where there is one. */
let endPause = (): void => undefined
let again = false
/** How often the server failed at the first act of a job's queue, by its first entry. */
const failures = new Map<string, number>()

interface Told {
  type: 'queued' | 'settled' | 'away'
  job?: string
  answer?: AppendAnswer
  away?: boolean
}
const channel = openChannel<Told>('ekrond', ({ type, job, answer, away }) => {
  if (type === 'queued') {
    void refresh()
    if (leading) void pump()
  }
  if (type === 'settled' && job && answer) void settle(job, answer).then(refresh)
  if (type === 'away') show({ ...view, away: away ?? false })
})
onKeeping(() => show({ ...view, keeps: isKeeping() }))

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

/** Whether no watcher failed to reach the server: one that it turned down keeps no entry in the queue, one that did not reach it does. */
async function settle(job: string, answer: AppendAnswer): Promise<boolean> {
  const outcomes = await Promise.allSettled([...settledWatchers].map((watcher) => watcher(job, answer)))
  return !outcomes.some(
    (one) => one.status === 'rejected' && one.reason instanceof ApiError && one.reason.passing,
  )
}

/** Puts entries in the queue; they are on screen at once and go out in order, also where the browser keeps nothing. */
export async function enqueue(entries: readonly UnsentEntry[]): Promise<void> {
  const items = entries.map((entry): Queued => ({ id: entry.id, job: entry.job, entry }))
  setOut(items)
  onTheWay.push(...items)
  show({ ...view, waiting: [...view.waiting, ...items] })
  await takenUp
  await store(items)
  channel.post({ type: 'queued' })
  // A browser that keeps nothing shares nothing: this window sends for itself.
  if (leading || !isKeeping()) void pump()
}

async function store(items: readonly Queued[]): Promise<void> {
  await addQueued(items)
  // Where the store would not take them they stay on their way until they are answered.
  if (isKeeping()) arrived(items)
  await refresh()
  onTheWay = onTheWay.filter((item) => !items.includes(item))
}

/** What the page before was left with on its way goes first. */
async function takeUp(): Promise<void> {
  const behind = leftBehind()
  onTheWay.push(...behind.flat())
  await refresh()
  for (const items of behind) await store(items)
}
const takenUp = takeUp()

/** Drops a refused entry, for good. */
export async function dropRefused(id: string): Promise<void> {
  await dropQueued(id)
  await refresh()
  channel.post({ type: 'queued' })
}

/** This window sends for all of them from now on (the caller holds the lock). */
export function lead(): void {
  leading = true
  void takenUp.then(pump)
}

async function refresh(): Promise<void> {
  const stored = await queued()
  const all = [...stored, ...onTheWay.filter((item) => !stored.some((other) => other.id === item.id))]
  show({
    ...view,
    waiting: all.filter((item) => !item.refused),
    refused: all.filter((item) => item.refused),
    keeps: isKeeping(),
  })
}

function show(next: QueueView) {
  view = next
  watchers.forEach((watcher) => watcher())
}

/** Said by whoever finds that the server cannot be reached, or can again. */
export function setAway(away: boolean) {
  if (view.away === away) return
  // Reached again: what waits goes now, not when the pause is over.
  if (!away) endPause()
  show({ ...view, away })
  channel.post({ type: 'away', away })
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
      const jobs = sendable(await queued(), MOST_AT_ONCE)
      let trouble = false
      for (const [job, items] of jobs) {
        const outcome = await sendJob(job, items)
        if (outcome === 'away') trouble = true
      }
      setAway(trouble)
      if (trouble) {
        await new Promise<void>((resolve) => {
          endPause = resolve
          setTimeout(resolve, wait)
        })
        wait = Math.min(wait * 2, LONGEST_WAIT_MS)
      } else if (!again && jobs.size === 0) return
      else wait = FIRST_WAIT_MS
    }
  } finally {
    pumping = false
  }
}

async function sendJob(job: string, all: readonly Queued[]): Promise<'sent' | 'away'> {
  // Where the server failed before, the first act goes alone: it shows which one it cannot take.
  const first = actsOf(all.map(({ entry }) => entry))[0]!
  const failed = failures.get(first[0]!.id) ?? 0
  const items = failed ? all.slice(0, first.length) : all
  let answer: AppendAnswer
  try {
    await sendPictures(items.flatMap(({ entry }) => picturesOf(entry)))
    answer = await post<AppendAnswer>(`/api/jobs/${job}/entries`, {
      entries: items.map((item) => item.entry),
    })
  } catch (error) {
    if (!(error instanceof ApiError)) return 'away'
    const poison = error.status >= 500 && error.status !== 503
    if (poison) failures.set(items[0]!.id, failed + 1)
    if (poison && failed + 1 > MOST_FAILURES) {
      failures.delete(items[0]!.id)
      await stepAside(
        items,
        'poison',
        'The server fails at this one again and again. Put it right, or drop it.',
      )
      return 'sent'
    }
    if (error.passing) return 'away'
    // The whole request was turned down: each entry keeps its text, with the reason.
    await stepAside(items, 'request', error.message, error.field)
    return 'sent'
  }
  failures.delete(items[0]!.id)
  // The log first, then the queue: an entry is never in neither. Where the wire was cut between the two it is sent again, and the server
  // knows it already.
  if (!(await settle(job, answer))) return 'away'
  for (const one of answer.answers) {
    const item = items.find((other) => other.id === one.id)
    if (!item) continue
    arrived([item])
    if (one.outcome === 'refused')
      await putQueued({
        ...item,
        refused: { code: one.code, sentence: one.sentence, ...(one.field ? { field: one.field } : {}) },
      })
    else {
      await dropQueued(item.id)
      await picturesArrived(picturesOf(item.entry))
    }
  }
  await refresh()
  channel.post({ type: 'settled', job, answer })
  return 'sent'
}

async function stepAside(items: readonly Queued[], code: string, sentence: string, field?: string) {
  for (const item of items)
    await putQueued({ ...item, refused: { code, sentence, ...(field ? { field } : {}) } })
  await refresh()
}
