import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { clockFrom } from '../clock.ts'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { backUp } from '../whole/backup.ts'

/** `npm run backup -- FILE`: the whole shop as one file, while work goes on. A file that is there is left alone. */
async function main(): Promise<number> {
  const file = process.argv[2] ? resolve(process.argv[2]) : ''
  if (!file) {
    console.error('Name the file: npm run backup -- FILE')
    return 2
  }
  if (existsSync(file)) {
    console.error(`${file} exists already and is not overwritten. Give a new file name.`)
    return 2
  }
  const pool = openPool(process.env.EKROND_DATABASE_URL!, 'long')
  try {
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    const { bytes } = await backUp(pool, file, clockFrom(process.env.EKROND_NOW)())
    console.log(`The whole shop is in ${file} (${(bytes / 1e6).toFixed(1)} MB).`)
    return 0
  } catch (error) {
    console.error(`No backup was made: ${(error as Error).message}`)
    return 2
  } finally {
    await pool.end()
  }
}

process.exitCode = await main()
