import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Pool } from './pool.ts'

// One number for all Ekrond processes of a database: whoever holds it migrates, the others wait.
const MIGRATION_LOCK = 711_944

/** Applies the numbered SQL files not applied yet, each once, under an advisory lock. Fails where an applied file was changed. */
export async function migrate(pool: Pool, folder: string): Promise<string[]> {
  const client = await pool.connect()
  const applied: string[] = []
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    await client.query(
      'create table if not exists migration (name text primary key, sha256 text not null, at timestamptz not null default now())',
    )
    const known = new Map(
      (await client.query<{ name: string; sha256: string }>('select name, sha256 from migration')).rows.map(
        (row) => [row.name, row.sha256],
      ),
    )
    for (const name of readdirSync(folder)
      .filter((file) => file.endsWith('.sql'))
      .sort()) {
      const sql = readFileSync(join(folder, name), 'utf8')
      const sha256 = createHash('sha256').update(sql).digest('hex')
      const before = known.get(name)
      if (before === sha256) continue
      if (before)
        throw new Error(`Migration ${name} was changed after it had been applied. Add a new one instead.`)
      await client.query('begin')
      try {
        await client.query(sql)
        await client.query('insert into migration (name, sha256) values ($1, $2)', [name, sha256])
        await client.query('commit')
      } catch (error) {
        await client.query('rollback')
        throw error
      }
      applied.push(name)
    }
  } finally {
    await client.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK]).catch(() => undefined)
    client.release()
  }
  return applied
}
