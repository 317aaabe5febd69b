import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { buildApp } from '../server/app.ts'
import { loadDemoIfEmpty } from '../server/cli/demo.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool } from '../server/db/pool.ts'
import { openServices } from '../server/services.ts'
import { ensureBuild } from '../tools/build.mjs'
import { startPostgres } from '../tools/postgres.mjs'
import { fuzz } from './fuzz.ts'
import { killAgainAndAgain } from './kills.ts'
import { importLarge } from './large-import.ts'

/**
 * `npm run torture -- --kills 1000 --requests 20000 --windows 10 --rows 1000000`: its own data, loopback, and as long as the numbers
 * say; 0 leaves a part out.
 */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    requests: { type: 'string', default: '20000' },
    windows: { type: 'string', default: '10' },
    rows: { type: 'string', default: '1000000' },
    seed: { type: 'string', default: '1184' },
  },
})
const seed = Number(values.seed)
await ensureBuild()

let bad = 0
/** Does a part that was asked for, and says what came of it. */
async function part<T>(asked: string, run: (n: number) => Promise<T>, tell: (result: T) => [string, number]) {
  if (Number(asked) === 0) return
  const [told, faults] = tell(await run(Number(asked)))
  console.log(told)
  bad += faults
}

await part(values.requests, fuzzShop, ({ requests, byStatus, failures, foreign }) => [
  [
    `${requests} requests over every route: ${JSON.stringify(byStatus)}`,
    `  of 500: ${failures.length}; in a validator's words: ${foreign.length}`,
    ...[...failures, ...foreign].slice(0, 10).map((told) => `  ${told}`),
  ].join('\n'),
  failures.length + foreign.length,
])
await part(
  values.kills,
  (kills) => killAgainAndAgain({ kills, seed }),
  (k) => [
    [
      `${k.kills} kills of server and PostgreSQL in mid-append: ${k.acknowledged} entries acknowledged, ${k.lost} lost, ${k.doubled} doubled, ${k.skipped} at another place, ${k.failedStarts} starts that failed`,
      ...k.said.map((told) => `  ${told}`),
    ].join('\n'),
    k.lost + k.doubled + k.skipped + k.failedStarts,
  ],
)
await part(values.windows, driveWindows, (passed) => [
  `${values.windows} windows off and on at random, two with a store that fails: ${passed ? 'every figure once in the log' : 'FAILED'}`,
  passed ? 0 : 1,
])
await part(values.rows, importLarge, (i) => [
  `${i.rows} rows, ${i.megabytes} MB, taken in: ${i.taken} in ${i.seconds} s, at most ${i.peakMegabytes} MB of memory, told ${i.told} times how far it was`,
  i.taken === i.rows ? 0 : 1,
])
process.exitCode = bad ? 1 : 0

/** The browser test of the same name, with so many windows. */
function driveWindows(windows: number): Promise<boolean> {
  return Promise.resolve(
    spawnSync(
      process.execPath,
      ['node_modules/@playwright/test/cli.js', 'test', '--config', 'e2e/playwright.config.ts', 'windows'],
      {
        cwd: join(import.meta.dirname, '..'),
        env: { ...process.env, EKROND_WINDOWS: String(windows), EKROND_ROUNDS: '20' },
      },
    ).status === 0,
  )
}

async function fuzzShop(requests: number) {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-fuzz-'))
  const postgres = await startPostgres(folder, { fast: true })
  const pool = openPool(postgres.url)
  try {
    await migrate(pool, join(import.meta.dirname, '../server/db/migrations'))
    const services = openServices(pool, () => new Date('2026-11-24T10:40:00Z'))
    await loadDemoIfEmpty(services, join(import.meta.dirname, '../demo/catalogue'))
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
