import { join, resolve } from 'node:path'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { readCatalogue } from '../import/read.ts'
import { writeCatalogue } from '../import/write.ts'

/** `npm run import -- FOLDER`: all or nothing, every fault with its file, row and column; exit status 2 where there is one. */
async function main(): Promise<number> {
  const folder = process.argv[2]
  if (!folder) {
    console.error('Name the folder: npm run import -- FOLDER')
    return 2
  }
  const read = readCatalogue(resolve(folder))
  if ('errors' in read) {
    for (const { file, row, column, sentence } of read.errors)
      console.error(
        `${file}${row === null ? '' : `, row ${row}`}${column === null ? '' : `, ${column}`}: ${sentence}`,
      )
    console.error(`Nothing was taken in. Faults: ${read.errors.length}.`)
    return 2
  }
  const pool = openPool(process.env.EKROND_DATABASE_URL!)
  try {
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    const { newRevisions } = await writeCatalogue(pool, read.catalogue)
    console.log(
      `${read.catalogue.listNumbers.length} list numbers taken in; ${newRevisions} sheets are new or changed.`,
    )
    return 0
  } catch (error) {
    console.error(`Nothing was taken in: ${(error as Error).message}`)
    return 2
  } finally {
    await pool.end()
  }
}

process.exitCode = await main()
