import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { clockFrom } from '../clock.ts'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { aloneInShop } from '../db/presence.ts'
import { openServices } from '../services.ts'
import { demoJobsToGo, NotReset, resetDemo } from './demo.ts'

/**
 * `npm run demo:reset`: the demo as new. Only a demo shop, only while no server runs on it, and only for who types how many jobs go
 * (or says so: `-- --yes-delete N`).
 */
async function main(): Promise<void> {
  const pool = openPool(process.env.EKROND_DATABASE_URL!)
  const alone = await aloneInShop(process.env.EKROND_DATABASE_URL!)
  try {
    if (!alone) throw new NotReset('This shop is open: stop its server first (Ctrl-C where it was started).')
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    const jobs = await demoJobsToGo(pool)
    const said = await howMany(jobs)
    await resetDemo(
      openServices(pool, clockFrom(process.env.EKROND_NOW)),
      join(process.cwd(), 'demo/catalogue'),
      said,
    )
    console.log('The demo shop is reset.')
  } catch (error) {
    if (!(error instanceof NotReset)) throw error
    console.error(error.message)
    process.exitCode = 2
  } finally {
    await alone?.leave()
    await pool.end()
  }
}

async function howMany(jobs: number): Promise<number> {
  const at = process.argv.indexOf('--yes-delete')
  if (at >= 0) return Number(process.argv[at + 1] ?? NaN)
  if (jobs === 0) return 0
  if (!process.stdin.isTTY)
    throw new NotReset(
      `${jobs} jobs of this demo shop would be deleted. Nothing was. Say so with: npm run demo:reset -- --yes-delete ${jobs}`,
    )
  const ask = createInterface({ input: process.stdin, output: process.stdout })
  const answer = await ask.question(
    `${jobs} jobs of this demo shop will be deleted, with all that was entered in it. Type ${jobs} to go on: `,
  )
  ask.close()
  return answer.trim() === '' ? NaN : Number(answer)
}

await main()
