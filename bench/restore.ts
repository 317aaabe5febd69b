import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { loadDemoIfEmpty } from '../server/cli/demo.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool, type Pool } from '../server/db/pool.ts'
import { tablesOfAShop } from '../server/db/untouched.ts'
import { rebuildProjection } from '../server/jobs/rebuild.ts'
import { openServices } from '../server/services.ts'
import { startPostgres } from '../tools/postgres.mjs'
import { makeLarge, type LargeSize } from './large-shop.ts'
import { runMeasured, type Ran } from './measured-child.ts'

export interface RestoreResult {
  backup: Ran
  restored: Ran
  megabytes: number
  tables: number
  /** tables whose rows are not the same afterwards */
  differ: string[]
}

/** Backs a large shop up, restores it into another database and compares the two table by table. */
export async function restoreLarge(size: LargeSize): Promise<RestoreResult> {
  const data = mkdtempSync(join(tmpdir(), 'ekrond-restore-'))
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-restore-file-'))
  const postgres = await startPostgres(data, { fast: true })
  const pool = openPool(postgres.url, 'long')
  const otherUrl = postgres.url.replace(/\/[^/]*$/, '/other')
  const other = openPool(otherUrl, 'long')
  try {
    await pool.query('create database other')
    await migrate(pool, join(import.meta.dirname, '../server/db/migrations'))
    await loadDemoIfEmpty(
      openServices(pool, () => new Date('2026-11-24T10:40:00Z')),
      join(import.meta.dirname, '../demo/catalogue'),
    )
    await makeLarge(pool, size)
    // The copies' rows on the rack are of other customers than their logs say.
    await rebuildProjection(pool)
    const file = join(folder, 'shop.zip')
    const backup = await runMeasured('server/cli/backup.ts', [file], postgres.url)
    const restored = await runMeasured('server/cli/restore.ts', [file], otherUrl)
    const [was, is] = [await digest(pool), await digest(other)]
    return {
      backup,
      restored,
      megabytes: Math.round(statSync(file).size / 1e6),
      tables: Object.keys(was).length,
      differ: Object.keys(was).filter((table) => was[table] !== is[table]),
    }
  } finally {
    await pool.end()
    await other.end()
    await postgres.stop()
    for (const path of [data, folder]) rmSync(path, { recursive: true, force: true })
  }
}

/** What each table holds, as one hash. */
async function digest(pool: Pool): Promise<Record<string, string>> {
  const found: Record<string, string> = {}
  for (const table of await tablesOfAShop(pool)) {
    const { rows } = await pool.query<{ hash: string }>(
      `select count(*) || ' ' || coalesce(md5(string_agg(md5(t::text), '' order by md5(t::text))), '') as hash from "${table}" t`,
    )
    found[table] = rows[0]!.hash
  }
  return found
}
