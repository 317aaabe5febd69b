import { join, resolve } from 'node:path'
import { clockFrom } from '../clock.ts'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { exportShop } from '../whole/export.ts'
import { isFree, writeFolder } from '../whole/folder.ts'

/** `npm run export -- FOLDER`: the whole shop as an open folder; a folder that holds something already is left alone. */
async function main(): Promise<number> {
  const folder = process.argv[2] ? resolve(process.argv[2]) : ''
  if (!folder) {
    console.error('Name the folder: npm run export -- FOLDER')
    return 2
  }
  if (!isFree(folder)) {
    console.error(`${folder} is not empty, and nothing in it is overwritten. Give a new folder.`)
    return 2
  }
  const pool = openPool(process.env.EKROND_DATABASE_URL!, 'long')
  try {
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    const files = await writeFolder(exportShop(pool, clockFrom(process.env.EKROND_NOW)()), folder, (n) =>
      console.error(`${n.toLocaleString('en')} files written`),
    )
    console.log(`${files} files written to ${folder}.`)
    return 0
  } catch (error) {
    console.error(`Nothing was exported: ${(error as Error).message}`)
    return 2
  } finally {
    await pool.end()
  }
}

process.exitCode = await main()
