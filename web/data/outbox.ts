import type { AppendAnswer } from '@ekrond/contract/jobs'
import { actsOf } from '@ekrond/core/log'
import { sendable, type Queued } from './sendable'

export type { Queued } from './sendable'

/** Whether this browser's store has it: an entry that is being stored does not go out, one that it would not take goes from memory. */
type Kept = 'yes' | 'asked' | 'no'
export interface Item extends Queued {
  kept: Kept
}

/**
 * What was entered in this browser and is not in the log yet. Pure: `after` says what becomes of it when something happens, and what
 * is to be done; whoever does it tells what came of it.
 */
export interface Outbox {
  /** in the order in which they were entered */
  items: readonly Item[]
  /** answered or dropped; a store that would not be told of it still has them */
  gone: ReadonlySet<string>
  /** the store was read once: only then is it known what comes before what */
  ready: boolean
  /** whether the store works */
  works: boolean
  /** sends for all windows of this browser */
  leading: boolean
  sending: { job: string; ids: readonly string[] } | null
  /** jobs for which the server could not be reached in this round */
  tried: readonly string[]
  paused: boolean
  /** how long the next pause lasts, ms */
  wait: number
  away: boolean
  /** how often the server failed at the first act of a job's queue, by its first entry */
  failures: Readonly<Record<string, number>>
}

export type Happened =
  | { what: 'entered'; items: readonly Queued[] }
  /** what a page that was left had on its way */
  | { what: 'left behind'; items: readonly Queued[] }
  /** what the store holds, of all windows */
  | { what: 'read'; stored: readonly Queued[] }
  | { what: 'unread' }
  | { what: 'kept'; ids: readonly string[] }
  | { what: 'not kept'; ids: readonly string[] }
  | { what: 'forgotten'; ids: readonly string[] }
  | { what: 'leads' }
  | { what: 'answered'; answers: AppendAnswer['answers'] }
  | { what: 'unreached' }
  /** the server's own failure */
  | { what: 'failed' }
  /** the whole request was turned down */
  | { what: 'turned down'; sentence: string; field?: string }
  | { what: 'pause over' }
  | { what: 'heard'; away: boolean }
  | { what: 'dropped'; id: string }

export type Act =
  | { do: 'keep'; items: readonly Queued[] }
  | { do: 'write'; item: Queued }
  | { do: 'forget'; ids: readonly string[] }
  | { do: 'send'; job: string; items: readonly Queued[] }
  | { do: 'pause'; ms: number }
  | { do: 'end pause' }

export interface Step {
  outbox: Outbox
  acts: readonly Act[]
}

const MOST_AT_ONCE = 100
const FIRST_WAIT_MS = 400
const LONGEST_WAIT_MS = 4000
/** The server's own failure at the same act so often makes it step aside. */
const MOST_FAILURES = 3
const POISON = 'The server cannot save this entry. Correct it, or discard it.'

export const emptyOutbox: Outbox = {
  items: [],
  gone: new Set(),
  ready: false,
  works: true,
  leading: false,
  sending: null,
  tried: [],
  paused: false,
  wait: FIRST_WAIT_MS,
  away: false,
  failures: {},
}

/** Whether what waits survives this window. */
export const keepsAll = ({ works, items }: Outbox): boolean =>
  works && items.every(({ kept }) => kept !== 'no')

/** What becomes of the outbox when something happened, and what is to be done about it. */
export function after(outbox: Outbox, happened: Happened): Step {
  const step = changed(outbox, happened)
  const next = sent(step.outbox)
  return { outbox: next.outbox, acts: [...step.acts, ...next.acts] }
}

const only = (outbox: Outbox, ...acts: Act[]): Step => ({ outbox, acts })

function changed(outbox: Outbox, happened: Happened): Step {
  switch (happened.what) {
    case 'entered': {
      const items = [...outbox.items, ...happened.items.map((item): Item => ({ ...item, kept: 'asked' }))]
      return keeping({ ...outbox, items })
    }
    case 'left behind': {
      const known = new Set(outbox.items.map(({ id }) => id))
      const items = happened.items
        .filter(({ id }) => !known.has(id))
        .reduce((all, item) => inserted(all, { ...item, kept: 'asked' }), outbox.items)
      return keeping({ ...outbox, items })
    }
    case 'read':
      return read(outbox, happened.stored)
    case 'unread':
      return keeping({ ...outbox, ready: true, works: false })
    case 'kept': {
      const here = new Set(outbox.items.map(({ id }) => id))
      // Answered before the store had taken it: it has not to be there.
      const late = happened.ids.filter((id) => !here.has(id))
      return only(
        { ...marked(outbox, happened.ids, 'yes'), works: true },
        ...(late.length ? [{ do: 'forget', ids: late } as const] : []),
      )
    }
    case 'not kept':
      return only({ ...marked(outbox, happened.ids, 'no'), works: false })
    case 'forgotten':
      return only({ ...outbox, gone: without(outbox.gone, happened.ids) })
    case 'leads':
      return only({ ...outbox, leading: true })
    case 'answered':
      return answered(outbox, happened.answers)
    case 'unreached':
      return only(missed(outbox))
    case 'failed':
      return failed(outbox)
    case 'turned down': {
      const { sentence, field } = happened
      return aside(outbox, { code: 'request', sentence, ...(field ? { field } : {}) })
    }
    case 'pause over':
      return only({ ...outbox, paused: false, tried: [] })
    case 'heard':
      // Reached again: what waits goes now, not when the pause is over.
      return happened.away
        ? only({ ...outbox, away: true })
        : only(
            { ...outbox, away: false, paused: false, tried: [] },
            ...(outbox.paused ? [{ do: 'end pause' } as const] : []),
          )
    case 'dropped':
      return only(removed(outbox, [happened.id]), { do: 'forget', ids: [happened.id] })
  }
}

/** Everything that is not in the store goes there together, so that it stands there in its order; once the store was read. */
function keeping(outbox: Outbox): Step {
  const items = outbox.items.filter(({ kept }) => kept !== 'yes')
  return outbox.ready && items.length ? only(outbox, { do: 'keep', items: items.map(plain) }) : only(outbox)
}

const plain = ({ kept: _, ...item }: Item): Queued => item

/**
 * The store holds what the windows of this browser know together. What it has no more another window has sent or dropped; what it has
 * and we do not know came from there, or from before. A store that was not told of an answer is told again.
 */
function read(outbox: Outbox, stored: readonly Queued[]): Step {
  const there = new Map(stored.map((item) => [item.id, item]))
  const refusedHere = (item: Item): boolean => item.refused !== undefined && !there.get(item.id)?.refused
  const known = outbox.items.filter(({ id, kept }) => kept !== 'yes' || there.has(id))
  const mine = known.map((item): Item =>
    there.has(item.id)
      ? { ...there.get(item.id)!, ...(item.refused ? { refused: item.refused } : {}), kept: 'yes' }
      : item,
  )
  const have = new Set(mine.map(({ id }) => id))
  const fresh = stored.filter(({ id }) => !have.has(id) && !outbox.gone.has(id))
  const items = outbox.ready
    ? fresh.reduce<readonly Item[]>((all, item) => inserted(all, { ...item, kept: 'yes' }), mine)
    : fresh.reduceRight<readonly Item[]>((all, item) => first(all, { ...item, kept: 'yes' }), mine)
  const still = [...outbox.gone].filter((id) => there.has(id))
  const untold = known.filter((item) => there.has(item.id) && refusedHere(item)).map(plain)
  const step = keeping({ ...outbox, items, ready: true, works: true })
  return {
    outbox: step.outbox,
    acts: [
      ...step.acts,
      ...(still.length ? [{ do: 'forget', ids: still } as const] : []),
      ...untold.map((item) => ({ do: 'write', item }) as const),
    ],
  }
}

/** At its moment among those of its job. */
function inserted(items: readonly Item[], item: Item): readonly Item[] {
  const at = items.findIndex(({ job, entry }) => job === item.job && entry.at > item.entry.at)
  return at < 0 ? [...items, item] : [...items.slice(0, at), item, ...items.slice(at)]
}

/** What the store had before this window: first, but for what was left behind at an earlier moment. */
function first(items: readonly Item[], item: Item): readonly Item[] {
  const at = items.findLastIndex(
    ({ job, kept, entry }) => job === item.job && kept !== 'yes' && entry.at < item.entry.at,
  )
  return [...items.slice(0, at + 1), item, ...items.slice(at + 1)]
}

const marked = (outbox: Outbox, ids: readonly string[], kept: Kept): Outbox => ({
  ...outbox,
  items: outbox.items.map((item) => (ids.includes(item.id) ? { ...item, kept } : item)),
})

const removed = (outbox: Outbox, ids: readonly string[]): Outbox => ({
  ...outbox,
  items: outbox.items.filter(({ id }) => !ids.includes(id)),
  gone: new Set([...outbox.gone, ...ids]),
})

const without = (all: ReadonlySet<string>, ids: readonly string[]): ReadonlySet<string> =>
  new Set([...all].filter((id) => !ids.includes(id)))

function forgiven({ failures }: Outbox, id: string | undefined): Outbox['failures'] {
  return Object.fromEntries(Object.entries(failures).filter(([key]) => key !== id))
}

function answered(outbox: Outbox, answers: AppendAnswer['answers']): Step {
  const refusals = new Map(
    answers.flatMap((one) =>
      one.outcome === 'refused'
        ? [
            [
              one.id,
              { code: one.code, sentence: one.sentence, ...(one.field ? { field: one.field } : {}) },
            ] as const,
          ]
        : [],
    ),
  )
  const taken = answers.flatMap(({ id, outcome }) => (outcome === 'refused' ? [] : [id]))
  const after = removed(outbox, taken)
  const items = after.items.map((item) =>
    refusals.has(item.id) ? { ...item, refused: refusals.get(item.id)! } : item,
  )
  return {
    outbox: {
      ...after,
      items,
      sending: null,
      away: outbox.tried.length > 0,
      wait: FIRST_WAIT_MS,
      failures: forgiven(outbox, outbox.sending?.ids[0]),
    },
    acts: [
      ...(taken.length ? [{ do: 'forget', ids: taken } as const] : []),
      ...items
        .filter(({ id }) => refusals.has(id))
        .map((item) => ({ do: 'write', item: plain(item) }) as const),
    ],
  }
}

const missed = (outbox: Outbox): Outbox => ({
  ...outbox,
  sending: null,
  tried: outbox.sending ? [...outbox.tried, outbox.sending.job] : outbox.tried,
})

function failed(outbox: Outbox): Step {
  const id = outbox.sending?.ids[0]
  if (id === undefined) return only(outbox)
  const times = (outbox.failures[id] ?? 0) + 1
  if (times <= MOST_FAILURES)
    return only({ ...missed(outbox), failures: { ...outbox.failures, [id]: times } })
  return aside({ ...outbox, failures: forgiven(outbox, id) }, { code: 'poison', sentence: POISON })
}

/** What was sent last keeps its text, with the reason why it was not taken. */
function aside(outbox: Outbox, refused: NonNullable<Queued['refused']>): Step {
  const ids = outbox.sending?.ids ?? []
  const items = outbox.items.map((item) => (ids.includes(item.id) ? { ...item, refused } : item))
  return {
    outbox: { ...outbox, items, sending: null },
    acts: items
      .filter(({ id }) => ids.includes(id))
      .map((item) => ({ do: 'write', item: plain(item) }) as const),
  }
}

/** Sends the next job's, in order; jobs do not hold each other up. Trouble with the network backs off and keeps the order. */
function sent(outbox: Outbox): Step {
  if (outbox.sending || outbox.paused || !outbox.ready) return only(outbox)
  // A window that does not lead sends where the one that does would find nothing.
  const here = (job: string) =>
    outbox.leading || outbox.items.some((item) => item.job === job && item.kept === 'no')
  for (const [job, waiting] of sendable(outbox.items, MOST_AT_ONCE)) {
    if (outbox.tried.includes(job) || !here(job)) continue
    const items = ready(waiting, outbox.failures)
    if (items.length === 0) continue
    const sending = { job, ids: items.map(({ id }) => id) }
    return only({ ...outbox, sending }, { do: 'send', job, items: items.map(plain) })
  }
  if (outbox.tried.length === 0) return only(outbox)
  return only(
    { ...outbox, away: true, paused: true, wait: Math.min(outbox.wait * 2, LONGEST_WAIT_MS) },
    { do: 'pause', ms: outbox.wait },
  )
}

/**
 * What of a job's queue goes now: the acts before the first that is being stored. Where the server failed before, the first act goes
 * alone: it shows which one it cannot take.
 */
function ready(waiting: readonly Item[], failures: Outbox['failures']): readonly Item[] {
  const acts = actsOf(waiting.map(({ entry }) => entry))
  let count = 0
  for (const act of acts) {
    const items = waiting.slice(count, count + act.length)
    if (items.some(({ kept }) => kept === 'asked')) break
    count += act.length
    if (failures[waiting[0]!.id]) break
  }
  return waiting.slice(0, count)
}
