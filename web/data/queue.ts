import type { AppendAnswer } from '@ekrond/contract/jobs'
import type { UnsentEntry } from '@ekrond/core/log'
import { useSyncExternalStore } from 'react'
import { ApiError, post } from './api'
import { openChannel } from './local'
import { arrived, leftBehind, setOut } from './on-the-way'
import { after, emptyOutbox, keepsAll, type Act, type Happened, type Outbox, type Queued } from './outbox'
import { picturesArrived, picturesOf, sendPictures } from './pictures'
import { forgetEntries, rewriteEntry, storeEntries, storedEntries } from './store'

/** Entries that wait or were refused, as this window sees them, and whether the server could be reached last time. */
export interface QueueView {
  waiting: readonly Queued[]
  refused: readonly Queued[]
  away: boolean
  /** whether what waits survives this window */
  keeps: boolean
}

let outbox = emptyOutbox
let view = viewOf(outbox)
const watchers = new Set<() => void>()
type Settled = (job: string, answer: AppendAnswer) => Promise<void>
const settledWatchers = new Set<Settled>()
/** Ends the pause after trouble, where there is one. */
let endPause = (): void => undefined

interface Told {
  type: 'queued' | 'settled' | 'away'
  job?: string
  answer?: AppendAnswer
  away?: boolean
}
const channel = openChannel<Told>('ekrond', ({ type, job, answer, away }) => {
  if (type === 'queued') void readStore()
  if (type === 'settled' && job && answer) void settle(job, answer).then(readStore)
  if (type === 'away') happen({ what: 'heard', away: away ?? false })
})

// What the page before was left with on its way goes with what the store has.
happen({ what: 'left behind', items: leftBehind().flat() })
void readStore()

function viewOf(now: Outbox): QueueView {
  return {
    waiting: now.items.filter(({ refused }) => !refused),
    refused: now.items.filter(({ refused }) => refused),
    away: now.away,
    keeps: keepsAll(now),
  }
}

/** Tells the outbox what happened, shows what became of it, and does what is to be done. */
function happen(happened: Happened): void {
  const before = outbox
  const step = after(outbox, happened)
  outbox = step.outbox
  if (outbox !== before) {
    view = viewOf(outbox)
    watchers.forEach((watcher) => watcher())
  }
  if (outbox.away !== before.away && happened.what !== 'heard')
    channel.post({ type: 'away', away: outbox.away })
  for (const act of step.acts) void doIt(act)
}

async function doIt(act: Act): Promise<void> {
  switch (act.do) {
    case 'keep': {
      const ids = act.items.map(({ id }) => id)
      if (!(await storeEntries(act.items))) return happen({ what: 'not kept', ids })
      arrived(ids)
      happen({ what: 'kept', ids })
      channel.post({ type: 'queued' })
      return
    }
    case 'write':
      if (await rewriteEntry(act.item)) channel.post({ type: 'queued' })
      return
    case 'forget':
      arrived(act.ids)
      if (!(await forgetEntries(act.ids))) return
      happen({ what: 'forgotten', ids: act.ids })
      return channel.post({ type: 'queued' })
    case 'send':
      return send(act.job, act.items)
    case 'pause': {
      const over = () => happen({ what: 'pause over' })
      const timer = setTimeout(over, act.ms)
      endPause = () => clearTimeout(timer)
      return
    }
    case 'end pause':
      return endPause()
  }
}

async function readStore(): Promise<void> {
  const stored = await storedEntries()
  happen(stored ? { what: 'read', stored } : { what: 'unread' })
}

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
export function enqueue(entries: readonly UnsentEntry[]): void {
  const items = entries.map((entry): Queued => ({ id: entry.id, job: entry.job, entry }))
  setOut(items)
  happen({ what: 'entered', items })
}

/** Drops a refused entry, for good. */
export const dropRefused = (id: string): void => happen({ what: 'dropped', id })

/** This window sends for all of them from now on (the caller holds the lock). */
export const lead = (): void => happen({ what: 'leads' })

/** Said by whoever finds that the server cannot be reached, or can again. */
export function setAway(away: boolean): void {
  if (outbox.away === away) return
  happen({ what: 'heard', away })
  channel.post({ type: 'away', away })
}

async function send(job: string, items: readonly Queued[]): Promise<void> {
  let answer: AppendAnswer
  try {
    await sendPictures(items.flatMap(({ entry }) => picturesOf(entry)))
    answer = await post<AppendAnswer>(`/api/jobs/${job}/entries`, {
      entries: items.map(({ entry }) => entry),
    })
  } catch (error) {
    if (!(error instanceof ApiError)) return happen({ what: 'unreached' })
    if (error.status >= 500 && error.status !== 503) return happen({ what: 'failed' })
    if (error.passing) return happen({ what: 'unreached' })
    const { message: sentence, field } = error
    return happen({ what: 'turned down', sentence, ...(field ? { field } : {}) })
  }
  // The log first, then the queue: an entry is never in neither. Where the wire was cut between the two it is sent again, and the server
  // knows it already.
  if (!(await settle(job, answer))) return happen({ what: 'unreached' })
  const taken = new Set(answer.answers.flatMap(({ id, outcome }) => (outcome === 'refused' ? [] : [id])))
  happen({ what: 'answered', answers: answer.answers })
  channel.post({ type: 'settled', job, answer })
  await picturesArrived(items.filter(({ id }) => taken.has(id)).flatMap(({ entry }) => picturesOf(entry)))
}
