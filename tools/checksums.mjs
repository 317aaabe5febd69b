// npm run checksums: gives a shop that was begun without them PostgreSQL's checksums of each page, once, while nothing runs on it.
import { join } from 'node:path'
import { claimDataFolder, defaultDataFolder, lockDataFolder } from './data-folder.mjs'
import { ensureDebian, postgresBin, say } from './install.mjs'
import { hasChecksums, postgresUser, startPostgres } from './postgres.mjs'
import { runToEnd } from './processes.mjs'

const folder = defaultDataFolder()
await ensureDebian(['postgres'])
claimDataFolder(folder, postgresUser())
const lock = await lockDataFolder(folder)
if (lock.taken) {
  console.error('ekrond: this shop is open. Stop it first (Ctrl-C where it was started).')
  process.exit(2)
}
try {
  if (await hasChecksums(folder)) say('this shop has its checksums already')
  else {
    // What a crash left is brought in order first: checksums are made over a cluster that was stopped cleanly.
    const postgres = await startPostgres(folder)
    await postgres.stop()
    say('reading every page of the shop once …')
    await runToEnd(join(postgresBin(), 'pg_checksums'), ['--enable', '-D', join(folder, 'postgres')], {
      ...postgresUser(),
      cwd: '/',
    })
    say('done: a damaged page is told from now on')
  }
} catch (error) {
  console.error(`ekrond: ${error.message}`)
  process.exitCode = 1
} finally {
  lock.release()
}
