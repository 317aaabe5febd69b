import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { aloneInShop } from '../db/presence.ts'
import { restore } from '../whole/backup.ts'
import { WholeShopFaults } from '../whole/import.ts'
import { tellProgress, tellFaults } from './tell.ts'

/**
 * `npm run restore -- FILE`: a backup into an empty shop, also while it is open. The demo is in the way where a new machine was started
 * without EKROND_DEMO=off: `-- FILE --yes-delete N` puts the backup in its place, while no server runs.
 */
async function main(): Promise<number> {
  const file = process.argv[2] ? resolve(process.argv[2]) : ''
  if (!file || !existsSync(file)) {
    console.error(file ? `There is no file ${file}.` : 'Name the file: npm run restore -- FILE')
    return 2
  }
  const at = process.argv.indexOf('--yes-delete')
  const overDemo = at < 0 ? undefined : Number(process.argv[at + 1] ?? NaN)
  const url = process.env.EKROND_DATABASE_URL!
  const alone = overDemo === undefined ? undefined : await aloneInShop(url)
  const pool = openPool(url, 'long')
  try {
    if (alone === null) {
      console.error('This shop is open: stop its server first (Ctrl-C where it was started).')
      return 2
    }
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    const taken = await restore(pool, file, {
      progress: tellProgress,
      ...(overDemo === undefined ? {} : { overDemo }),
    })
    console.log(
      `The shop is restored: ${taken.jobs} jobs with ${taken.entries} entries, ${taken.photographs} photographs.`,
    )
    return 0
  } catch (error) {
    if (error instanceof WholeShopFaults) return tellFaults(error.errors)
    console.error(`Nothing was restored: ${(error as Error).message}`)
    return 2
  } finally {
    await alone?.leave()
    await pool.end()
  }
}

process.exitCode = await main()
