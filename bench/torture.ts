import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { buildApp } from '../server/app.ts'
import { resetDemo } from '../server/cli/demo.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool } from '../server/db/pool.ts'
import { openServices } from '../server/services.ts'
import { ensureBuild } from '../tools/build.mjs'
import { startPostgres } from '../tools/postgres.mjs'
import { fuzz } from './fuzz.ts'
import { killAgainAndAgain } from './kills.ts'

/** `npm run torture -- --kills 1000 --requests 20000`: its own data, loopback, and as long as the numbers say. */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    requests: { type: 'string', default: '20000' },
    seed: { type: 'string', default: '1184' },
  },
})
const seed = Number(values.seed)
await ensureBuild()

const fuzzed = await fuzzShop(Number(values.requests))
console.log(`${fuzzed.requests} requests over every route: ${JSON.stringify(fuzzed.byStatus)}`)
console.log(`  of 500: ${fuzzed.failures.length}; in a validator's words: ${fuzzed.foreign.length}`)
for (const told of [...fuzzed.failures, ...fuzzed.foreign].slice(0, 10)) console.log(`  ${told}`)

const killed = await killAgainAndAgain({ kills: Number(values.kills), seed })
console.log(
  `${killed.kills} kills of server and PostgreSQL in mid-append: ${killed.acknowledged} entries acknowledged, ${killed.lost} lost, ${killed.doubled} doubled, ${killed.skipped} at another place, ${killed.failedStarts} starts that failed`,
)
const bad =
  fuzzed.failures.length +
  fuzzed.foreign.length +
  killed.lost +
  killed.doubled +
  killed.skipped +
  killed.failedStarts
process.exitCode = bad ? 1 : 0

async function fuzzShop(requests: number) {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-fuzz-'))
  const postgres = await startPostgres(folder, { fast: true })
  const pool = openPool(postgres.url)
  try {
    await migrate(pool, join(import.meta.dirname, '../server/db/migrations'))
    const services = openServices(pool, () => new Date('2026-11-24T10:40:00Z'))
    await resetDemo(services, join(import.meta.dirname, '../demo/catalogue'))
    const app = await buildApp({ services })
    const result = await fuzz(app, { requests, seed })
    await app.close()
    return result
  } finally {
    await pool.end()
    await postgres.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
