import { statfsSync } from 'node:fs'

/** Less room than this and PostgreSQL may stop at any moment. */
const LEAST_ROOM_BYTES = 64 * 1024 * 1024
/** Below either of these somebody should make room while there is time. */
const LOW_BYTES = 1e9
const LOW_SHARE = 0.1

export interface Room {
  state: 'ok' | 'low' | 'full' | 'unknown'
  freeBytes: number | null
}

/** What a disk of so many free bytes is, of so many. */
export function roomOf(freeBytes: number, bytes: number): Room['state'] {
  if (freeBytes < LEAST_ROOM_BYTES) return 'full'
  return freeBytes < LOW_BYTES || freeBytes < LOW_SHARE * bytes ? 'low' : 'ok'
}

/** Room on the disk of the shop's data; unknown where that lies elsewhere. */
export function diskRoom(folder = process.env.EKROND_DATA_FOLDER): Room {
  if (!folder) return { state: 'unknown', freeBytes: null }
  try {
    const { bavail, blocks, bsize } = statfsSync(folder)
    return { state: roomOf(bavail * bsize, blocks * bsize), freeBytes: bavail * bsize }
  } catch {
    return { state: 'unknown', freeBytes: null }
  }
}
