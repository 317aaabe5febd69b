import { join, resolve } from 'node:path'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { folderFiles } from '../import/files.ts'
import { readCatalogue } from '../import/read.ts'
import { writeCatalogue } from '../import/write.ts'
import { tellProgress, tellFaults } from './tell.ts'
import { importShop, isWholeShop, WholeShopFaults } from '../whole/import.ts'

/** `npm run import -- FOLDER`: a catalogue, or a whole shop into an empty one. All or nothing; exit status 2 where there is a fault. */
async function main(): Promise<number> {
  const folder = process.argv[2]
  if (!folder) {
    console.error('Name the folder: npm run import -- FOLDER')
    return 2
  }
  const files = folderFiles(resolve(folder))
  const whole = isWholeShop(files)
  const read = whole ? null : await readCatalogue(files, tellProgress)
  if (read && 'errors' in read) return tellFaults(read.errors)
  const pool = openPool(process.env.EKROND_DATABASE_URL!, 'long')
  try {
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    if (!read) {
      const { jobs, entries, photographs, whole: checked } = await importShop(pool, files, tellProgress)
      console.log(
        `${checked ? 'The whole shop was imported' : 'Imported what was there (an older export without a manifest: it cannot be checked for completeness)'}: ${jobs} jobs with ${entries} entries, ${photographs} photographs.`,
      )
      return 0
    }
    const { newRevisions } = await writeCatalogue(pool, read.catalogue)
    console.log(
      `${read.catalogue.listNumbers.length} list numbers imported; ${newRevisions} sheets are new or changed.`,
    )
    return 0
  } catch (error) {
    if (error instanceof WholeShopFaults) return tellFaults(error.errors)
    console.error(`Nothing was imported: ${(error as Error).message}`)
    return 2
  } finally {
    await pool.end()
  }
}

process.exitCode = await main()
