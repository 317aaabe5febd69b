import { join } from 'node:path'
import { inject } from 'vitest'
import { buildApp } from '../app.ts'
import { loadDemoIfEmpty } from '../cli/demo.ts'
import { clockFrom } from '../clock.ts'
import { openPool, type Pool } from '../db/pool.ts'
import { openServices, type Services } from '../services.ts'
import { withDatabase } from './postgres.ts'

export const NOW = '2026-11-24T10:40:00Z'
export const catalogueFolder = join(import.meta.dirname, '../../demo/catalogue')

export interface TestShop {
  pool: Pool
  url: string
  services: Services
  app: Awaited<ReturnType<typeof buildApp>>
  close(): Promise<void>
}

/** A database of its own, empty or with the demo shop in it, and the server over it. */
export async function openShop(name: string, { demo = true } = {}): Promise<TestShop> {
  const admin = openPool(inject('databaseUrl'))
  await admin.query(`create database ${name} template template_shop`)
  await admin.end()
  const url = withDatabase(inject('databaseUrl'), name)
  const pool = openPool(url)
  const services = openServices(pool, clockFrom(NOW))
  if (demo) await loadDemoIfEmpty(services, catalogueFolder)
  const app = await buildApp({ services })
  return {
    pool,
    url,
    services,
    app,
    async close() {
      await app.close()
      await pool.end()
    },
  }
}
