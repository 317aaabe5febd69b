import type { UnsentEntry } from '@ekrond/core/log'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

export interface Queued {
  order?: number
  id: string
  job: string
  entry: UnsentEntry
  /** set where the server refused it: kept until somebody puts it right or drops it */
  refused?: { code: string; sentence: string; field?: string }
}

interface Schema extends DBSchema {
  queue: { key: number; value: Queued; indexes: { id: string } }
  drafts: { key: string; value: string }
}
type Db = IDBPDatabase<Schema>

/** A browser that does not answer about its store for so long has none. */
const OPEN_MS = 20_000

let opened: Promise<Db> | undefined
let keeping = true
const watchers = new Set<() => void>()
// What the browser would not keep stands here while the window is open.
const queue: Queued[] = []
const drafts = new Map<string, string>()
// What became of entries that stand in the store where it would not be told: put otherwise, or gone (null). Without it an answered
// entry would be sent again and again.
const became = new Map<string, Queued | null>()

/** Whether what is entered survives this window: false once the browser's store was denied, full or broken. */
export const isKeeping = (): boolean => keeping
export const onKeeping = (watcher: () => void): (() => void) => {
  watchers.add(watcher)
  return () => watchers.delete(watcher)
}

function open(): Promise<Db> {
  opened ??= Promise.race([
    openDB<Schema>('ekrond', 1, {
      upgrade(db) {
        db.createObjectStore('queue', { keyPath: 'order', autoIncrement: true }).createIndex('id', 'id')
        db.createObjectStore('drafts')
      },
      terminated: () => (opened = undefined),
    }),
    new Promise<never>((_, reject) =>
      setTimeout(() => reject(new Error('the store does not open')), OPEN_MS),
    ),
  ])
  return opened
}

/** Does something with the browser's store, or `instead` where that fails: nothing that was entered is lost by it. */
async function kept<T>(work: (db: Db) => Promise<T>, instead: () => T): Promise<T> {
  try {
    const done = await work(await open())
    // Once what it would not keep has gone out, a store that works again is believed.
    if (queue.length === 0) setKeeping(true)
    return done
  } catch {
    setKeeping(false)
    return instead()
  }
}

function setKeeping(now: boolean) {
  if (keeping === now) return
  keeping = now
  if (!now) opened = undefined
  watchers.forEach((watcher) => watcher())
}

/** Entries that wait or were refused, in the order in which they were entered. */
export async function queued(): Promise<Queued[]> {
  const stored = await kept(
    (db) => db.getAll('queue'),
    () => [],
  )
  return [
    ...stored.map((item) => (became.has(item.id) ? became.get(item.id)! : item)).filter(Boolean),
    ...queue,
  ]
}

/** Those that it has already stay as they are. */
export const addQueued = (items: readonly Queued[]): Promise<void> =>
  kept(
    async (db) => {
      const write = db.transaction('queue', 'readwrite')
      const added = async () => {
        const ids = write.store.index('id')
        for (const item of items) if ((await ids.getKey(item.id)) === undefined) await write.store.add(item)
      }
      await Promise.all([added(), write.done])
    },
    () => void queue.push(...items),
  )

/** Writes an entry of the queue anew, by its id. */
export async function putQueued(item: Queued): Promise<void> {
  const at = queue.findIndex((other) => other.id === item.id)
  if (at >= 0) queue[at] = item
  else
    await kept(
      async (db) => {
        await db.put('queue', item)
        became.delete(item.id)
      },
      () => void became.set(item.id, item),
    )
}

export async function dropQueued(id: string): Promise<void> {
  const at = queue.findIndex((other) => other.id === id)
  if (at >= 0) queue.splice(at, 1)
  else
    await kept(
      async (db) => {
        const key = await db.getKeyFromIndex('queue', 'id', id)
        if (key !== undefined) await db.delete('queue', key)
        became.delete(id)
      },
      () => void became.set(id, null),
    )
}

export const keptDraft = (key: string): Promise<string | undefined> =>
  kept(
    async (db) => (await db.get('drafts', key)) ?? drafts.get(key),
    () => drafts.get(key),
  )

export async function keepDraft(key: string, text: string): Promise<void> {
  if (text === '') drafts.delete(key)
  else drafts.set(key, text)
  await kept(
    async (db) => {
      if (text === '') await db.delete('drafts', key)
      else await db.put('drafts', text, key)
    },
    () => undefined,
  )
}
