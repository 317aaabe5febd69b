import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { UnsentEntry } from '@ekrond/core/job'

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

let opened: Promise<IDBPDatabase<Schema>> | undefined

/** What this browser keeps by itself: entries not yet in the log, and what is typed and not yet entered. */
export const store = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('ekrond', 1, {
    upgrade(db) {
      db.createObjectStore('queue', { keyPath: 'order', autoIncrement: true }).createIndex('id', 'id')
      db.createObjectStore('drafts')
    },
  }))
