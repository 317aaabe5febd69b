import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { loadDemoIfEmpty } from './cli/demo.ts'
import { clockFrom } from './clock.ts'
import { migrate } from './db/migrate.ts'
import { openPool } from './db/pool.ts'
import { buildApp } from './app.ts'
import { openLive } from './live/events.ts'
import { hostsFrom } from './http/guard.ts'
import { rebuildIfOlder } from './jobs/rebuild.ts'
import { openServices } from './services.ts'
import { openThreads } from './threads.ts'

const root = process.env.EKROND_ROOT ?? process.cwd()
const url = process.env.EKROND_DATABASE_URL
if (!url) {
  console.error(
    'EKROND_DATABASE_URL is not set. Start with `npm start`, or point it at a PostgreSQL database.',
  )
  process.exit(2)
}

const clock = clockOrSay(process.env.EKROND_NOW)
const pool = openPool(url)
const threads = openThreads(join(root, 'build/heavy-thread.mjs'))
const services = openServices(pool, clock, threads.heavy)
await migrate(pool, join(root, 'server/db/migrations'))
await rebuildIfOlder(pool)
if (process.env.EKROND_DEMO !== 'off') await loadDemoIfEmpty(services, join(root, 'demo/catalogue'))
const live = openLive(url)
const webFolder = join(root, 'build/web')
const app = await buildApp({
  services,
  live,
  log: true,
  hosts: hostsFrom(process.env.EKROND_HOSTS),
  ...(existsSync(webFolder) ? { webFolder } : {}),
})

const stop = async () => {
  await app.close()
  await live.close()
  await threads.close()
  await pool.end()
  process.exit(0)
}
process.on('SIGTERM', () => void stop())
process.on('SIGINT', () => void stop())

const address = await app.listen({ host: '127.0.0.1', port: Number(process.env.EKROND_PORT ?? 4180) })
console.log(`listening ${address}`)

function clockOrSay(now: string | undefined) {
  try {
    return clockFrom(now)
  } catch (error) {
    console.error(`ekrond: ${(error as Error).message}`)
    process.exit(2)
  }
}
