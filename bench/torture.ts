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
import { killCommands } from './kills-of-commands.ts'
import { importLarge } from './large-import.ts'
import { restoreLarge } from './restore.ts'
import { cutFirstStarts } from './starts.ts'

/**
 * `npm run torture -- --kills 1000 --commands 300 --starts 30 --requests 20000 --windows 10 --rows 1000000 --restore --photographs 500`:
 * its own data, loopback, and as long as the numbers say; 0 leaves a part out.
 */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    requests: { type: 'string', default: '20000' },
    windows: { type: 'string', default: '10' },
    rows: { type: 'string', default: '1000000' },
    commands: { type: 'string', default: '300' },
    starts: { type: 'string', default: '30' },
    restore: { type: 'boolean', default: false },
    photographs: { type: 'string', default: '500' },
    seed: { type: 'string', default: '1184' },
  },
})
const seed = Number(values.seed)
/** A first start takes some seconds: it is cut off at each of these steps of its way. */
const CUT_EVERY_MS = 200
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
await part(
  values.commands,
  (kills) => killCommands({ kills, seed }),
  (k) => [
    [
      `${k.kills} kills of export, backup, import, restore and the demo's reset on their way (${k.ended} had ended): ${k.half.length} left something half`,
      ...k.half.map((told) => `  ${told}`),
    ].join('\n'),
    k.half.length,
  ],
)
await part(
  values.starts,
  (n) => cutFirstStarts(Array.from({ length: n }, (_, i) => (i + 1) * CUT_EVERY_MS)),
  (c) => [
    [
      `${c.cuts} first starts cut off, each ${CUT_EVERY_MS} ms later than the one before: ${c.lost} shops lost, ${c.failed} starts that failed`,
      ...c.said.map((told) => `  ${told}`),
    ].join('\n'),
    c.lost + c.failed,
  ],
)
await part(
  values.restore ? values.photographs : '0',
  (photographMegabytes) =>
    restoreLarge({ listNumbers: 20_000, jobs: 5000, entries: 120, photographMegabytes }),
  (r) => [
    [
      `20,000 list numbers, 5,000 jobs, ${values.photographs} MB of photographs: a backup of ${r.megabytes} MB in ${r.backup.seconds} s (at most ${r.backup.peakMegabytes} MB of memory), restored in ${r.restored.seconds} s (${r.restored.peakMegabytes} MB)`,
      `  ${r.tables} tables compared row by row, ${r.differ.length} differ ${r.differ.join(', ')}`,
    ].join('\n'),
    r.differ.length,
  ],
)
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
