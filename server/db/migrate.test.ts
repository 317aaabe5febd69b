import { join } from 'node:path'
import { inject, describe, expect, it } from 'vitest'
import { withDatabase } from '../test/postgres.ts'
import { migrate, NotOurs } from './migrate.ts'
import { openPool, type Pool } from './pool.ts'

const folder = join(import.meta.dirname, 'migrations')

async function on(name: string, work: (pool: Pool) => Promise<void>) {
  const admin = openPool(inject('databaseUrl'))
  await admin.query(`create database ${name}`)
  const pool = openPool(withDatabase(inject('databaseUrl'), name))
  try {
    await work(pool)
  } finally {
    await pool.end()
    await admin.end()
  }
}

describe('a database that is not this version’s', () => {
  it('of a newer Ekrond is left alone, and the newer one is asked for', () =>
    on('migrate_newer', async (pool) => {
      await migrate(pool, folder)
      await pool.query("insert into migration (name, sha256) values ('999-later.sql', 'x')")
      await expect(migrate(pool, folder)).rejects.toThrow(
        /written by a newer version of Ekrond \(it knows 999-later\.sql\)/,
      )
    }))
  it('with tables of something else is left alone', () =>
    on('migrate_foreign', async (pool) => {
      await pool.query('create table invoices (n int)')
      await expect(migrate(pool, folder)).rejects.toThrow(NotOurs)
      await expect(migrate(pool, folder)).rejects.toThrow(/invoices/)
      const { rows } = await pool.query(
        "select count(*)::int as n from pg_tables where schemaname = 'public'",
      )
      expect(rows).toEqual([{ n: 1 }])
    }))
  it('with a table “migration” of something else is left alone', () =>
    on('migrate_other', async (pool) => {
      await pool.query('create table migration (id int)')
      await expect(migrate(pool, folder)).rejects.toThrow(/not Ekrond’s/)
    }))
})
