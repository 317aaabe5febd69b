import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Queued } from './outbox'

interface Schema extends DBSchema {
  queue: { key: number; value: Queued; indexes: { id: string } }
  drafts: { key: string; value: string }
}
type Db = IDBPDatabase<Schema>

/** A browser that does not answer about its store for so long has none. */
const OPEN_MS = 20_000

let opened: Promise<Db> | undefined
// What the browser would not keep of what is typed stands here while the window is open.
const drafts = new Map<string, string>()

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

/** Does something with the browser's store; undefined where it was denied, is full or broken. */
async function tried<T>(work: (db: Db) => Promise<T>): Promise<T | undefined> {
  try {
    return await work(await open())
  } catch {
    opened = undefined
    return undefined
  }
}

/** Entries that wait or were refused, in the order in which they were entered. */
export const storedEntries = (): Promise<Queued[] | undefined> => tried((db) => db.getAll('queue'))

/** Those that it has already stay as they are. Whether all are there now. */
export async function storeEntries(items: readonly Queued[]): Promise<boolean> {
  const done = await tried(async (db) => {
    const write = db.transaction('queue', 'readwrite')
    const added = async () => {
      const ids = write.store.index('id')
      for (const item of items) if ((await ids.getKey(item.id)) === undefined) await write.store.add(item)
    }
    await Promise.all([added(), write.done])
    return true
  })
  return done === true
}

/** Writes an entry of the queue anew, where the store has it. Whether it says so now. */
export async function rewriteEntry(item: Queued): Promise<boolean> {
  const done = await tried(async (db) => {
    const write = db.transaction('queue', 'readwrite')
    const order = await write.store.index('id').getKey(item.id)
    if (order !== undefined) await write.store.put({ ...item, order })
    await write.done
    return true
  })
  return done === true
}

/** Whether the store knows now that these are gone. */
export async function forgetEntries(ids: readonly string[]): Promise<boolean> {
  const done = await tried(async (db) => {
    const write = db.transaction('queue', 'readwrite')
    for (const id of ids) {
      const order = await write.store.index('id').getKey(id)
      if (order !== undefined) await write.store.delete(order)
    }
    await write.done
    return true
  })
  return done === true
}

export const keptDraft = async (key: string): Promise<string | undefined> =>
  drafts.get(key) ?? tried((db) => db.get('drafts', key))

export async function keepDraft(key: string, text: string): Promise<void> {
  if (text === '') drafts.delete(key)
  else drafts.set(key, text)
  await tried(async (db) => {
    if (text === '') await db.delete('drafts', key)
    else await db.put('drafts', text, key)
  })
}
