import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Client, Pool } from './pool.ts'

// One number for all Ekrond processes of a database: whoever holds it migrates, the others wait.
const MIGRATION_LOCK = 711_944

/** A database that this version must leave alone: somebody else's tables, or a newer version's. */
export class NotOurs extends Error {}

/** Throws where the tables were not made by us, or by a version that knows more than this one. */
async function mustBeOurs(client: Client, files: readonly string[]): Promise<void> {
  const { rows } = await client.query<{ ours: boolean; tables: string[] }>(
    `select to_regclass('migration') is not null as ours,
            coalesce((select array_agg(relname::text order by relname) from pg_class join pg_namespace n on n.oid = relnamespace
                       where relkind in ('r', 'p') and n.nspname = current_schema()), '{}') as tables`,
  )
  const { ours, tables } = rows[0]!
  if (!ours) {
    if (tables.length)
      throw new NotOurs(
        `this database has tables of something else (${tables.slice(0, 3).join(', ')}${tables.length > 3 ? ' …' : ''}). Nothing was touched. Give EKROND_DATABASE_URL a database of its own.`,
      )
    return
  }
  let applied: string[]
  try {
    applied = (await client.query<{ name: string }>('select name from migration order by name')).rows.map(
      ({ name }) => name,
    )
  } catch {
    throw new NotOurs(
      'this database has a table “migration” that is not Ekrond’s. Nothing was touched. Give EKROND_DATABASE_URL a database of its own.',
    )
  }
  const newer = applied.filter((name) => !files.includes(name))
  if (newer.length)
    throw new NotOurs(
      `this shop’s data was written by a newer version of Ekrond (it knows ${newer.at(-1)}). Start that version: this one would not understand all of it. Nothing was touched.`,
    )
}

/** Applies the numbered SQL files not applied yet, each once, under an advisory lock. Fails where an applied file was changed. */
export async function migrate(pool: Pool, folder: string): Promise<string[]> {
  const client = await pool.connect()
  const applied: string[] = []
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    const files = readdirSync(folder)
      .filter((file) => file.endsWith('.sql'))
      .sort()
    await mustBeOurs(client, files)
    await client.query(
      'create table if not exists migration (name text primary key, sha256 text not null, at timestamptz not null default now())',
    )
    const known = new Map(
      (await client.query<{ name: string; sha256: string }>('select name, sha256 from migration')).rows.map(
        (row) => [row.name, row.sha256],
      ),
    )
    for (const name of files) {
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
