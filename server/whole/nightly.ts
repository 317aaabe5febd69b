import type { Clock } from '../clock.ts'
import type { Pool } from '../db/pool.ts'
import { kindOfShop } from '../db/untouched.ts'
import { backUpNightly, backupState } from './backup.ts'

const LOOK_EVERY_MS = 10 * 60_000
const FIRST_LOOK_MS = 60_000
/** A backup is due in the first hours of a day, and whenever the newest is older than a day. */
const NIGHT_HOURS = 5
const DAY_MS = 24 * 3600_000
const BACKUP_LOCK = 711_947

/** Whether a backup is due: none of the last day, or none of this night yet. */
export function isDue(newest: string | null, now: Date, hour: number): boolean {
  if (newest === null) return true
  const age = now.getTime() - Date.parse(newest)
  return age >= DAY_MS || (hour < NIGHT_HOURS && age >= NIGHT_HOURS * 3600_000)
}

/** One backup where it is due and no other process of this shop makes it; null where there was none to make. */
export async function backUpWhereDue(
  pool: Pool,
  folder: string,
  { clock, zone, keep }: { clock: Clock; zone: string; keep: number },
): Promise<string | null> {
  const now = clock()
  const hour = Number(
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', hourCycle: 'h23' }).format(now),
  )
  if (!isDue(backupState(folder).at, now, hour) || (await kindOfShop(pool)) === 'new') return null
  const client = await pool.connect()
  try {
    const { rows } = await client.query<{ mine: boolean }>('select pg_try_advisory_lock($1) as mine', [
      BACKUP_LOCK,
    ])
    if (!rows[0]!.mine) return null
    try {
      return await backUpNightly(pool, folder, now, keep)
    } finally {
      await client.query('select pg_advisory_unlock($1)', [BACKUP_LOCK])
    }
  } finally {
    client.release()
  }
}

/** Looks again and again whether a backup is due, and makes it. */
export function keepBackups(
  pool: Pool,
  folder: string,
  how: { clock: Clock; zone: () => Promise<string>; keep: number },
): () => void {
  let running = false
  const look = async () => {
    if (running) return
    running = true
    try {
      await backUpWhereDue(pool, folder, { ...how, zone: await how.zone() })
    } catch (error) {
      console.error(`the nightly backup failed: ${(error as Error).message}`)
    } finally {
      running = false
    }
  }
  const timers = [setTimeout(() => void look(), FIRST_LOOK_MS), setInterval(() => void look(), LOOK_EVERY_MS)]
  timers.forEach((timer) => timer.unref())
  return () => timers.forEach((timer) => clearTimeout(timer))
}
