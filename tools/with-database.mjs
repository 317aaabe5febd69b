// Runs one of our TypeScript commands against the shop's database: node tools/with-database.mjs server/cli/rebuild.ts
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureDebian, ensurePackages, root } from './install.mjs'

await ensurePackages()
process.on('uncaughtException', (error) => {
  console.error(`ekrond: ${error.message}`)
  process.exit(2)
})
let url = process.env.EKROND_DATABASE_URL
let postgres
let lock
if (url) {
  const { databaseAnswers, readDatabaseUrl } = await import('./database-url.mjs')
  readDatabaseUrl(url)
  await databaseAnswers(url)
} else {
  await ensureDebian(['postgres'])
  const { claimDataFolder, defaultDataFolder, lockDataFolder } = await import('./data-folder.mjs')
  const { postgresUser, startPostgres } = await import('./postgres.mjs')
  claimDataFolder(defaultDataFolder(), postgresUser())
  // Held by a shop that runs: its PostgreSQL serves this as well.
  lock = await lockDataFolder(defaultDataFolder())
  postgres = await startPostgres(defaultDataFolder())
  url = postgres.url
}
const done = spawnSync(
  process.execPath,
  [join(root, 'node_modules/tsx/dist/cli.mjs'), ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, EKROND_DATABASE_URL: url, EKROND_ROOT: root },
  },
)
if (postgres && !postgres.adopted) await postgres.stop()
lock?.release?.()
process.exit(done.status ?? 1)
