import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { startPostgres } from '../../tools/postgres.mjs'

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string
  }
}

/** A throw-away PostgreSQL for the run with a migrated template database; each test file copies it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-test-'))
  const postgres = await startPostgres(folder, { fast: true })
  const admin = openPool(postgres.url)
  await admin.query('create database template_shop')
  const template = openPool(withDatabase(postgres.url, 'template_shop'))
  await migrate(template, join(import.meta.dirname, '../db/migrations'))
  await template.end()
  await admin.end()
  project.provide('databaseUrl', postgres.url)
  return async () => {
    await postgres.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

export const withDatabase = (url: string, name: string): string => url.replace(/\/[^/]*$/, `/${name}`)
