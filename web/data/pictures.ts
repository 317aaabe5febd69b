import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { callEmpty } from './api'

interface Schema extends DBSchema {
  pictures: { key: string; value: Blob }
}

// Pictures that have not gone out yet, by their hash; what the browser will not keep lives as long as the window.
const here = new Map<string, Blob>()
let opened: Promise<IDBPDatabase<Schema>> | undefined
const open = () =>
  (opened ??= openDB<Schema>('ekrond-pictures', 1, {
    upgrade: (db) => void db.createObjectStore('pictures'),
    blocking: (_now, _next, event) => (event.target as IDBDatabase).close(),
    terminated: () => (opened = undefined),
  }))

export async function keepPicture(hash: string, picture: Blob): Promise<void> {
  here.set(hash, picture)
  try {
    await (await open()).put('pictures', picture, hash)
  } catch {
    opened = undefined
  }
}

export async function keptPicture(hash: string): Promise<Blob | undefined> {
  const known = here.get(hash)
  if (known) return known
  try {
    return await (await open()).get('pictures', hash)
  } catch {
    opened = undefined
    return undefined
  }
}

async function dropPicture(hash: string): Promise<void> {
  here.delete(hash)
  try {
    await (await open()).delete('pictures', hash)
  } catch {
    opened = undefined
  }
}

/**
 * Sends the pictures of entries before the entries themselves go: an entry never names a picture that the shop has not. Pictures that
 * this browser does not hold were sent before.
 */
export async function sendPictures(hashes: readonly string[]): Promise<void> {
  for (const hash of hashes) {
    const picture = await keptPicture(hash)
    if (picture)
      await callEmpty(`/api/photos/${hash}`, {
        method: 'PUT',
        headers: { 'content-type': 'image/jpeg' },
        body: picture,
      })
  }
}

/** They are in the shop with their entries. */
export const picturesArrived = (hashes: readonly string[]): Promise<unknown> =>
  Promise.allSettled(hashes.map(dropPicture))

/** Which pictures an entry names. */
export const picturesOf = ({ kind, data }: { kind: string; data: unknown }): string[] =>
  kind === 'photo.taken' ? [(data as { photo: string }).photo, (data as { thumb: string }).thumb] : []
