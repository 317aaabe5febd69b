import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { exportShop } from '../whole/export.ts'

/** `npm run export -- FOLDER`: the whole shop as an open folder; a folder that holds something already is left alone. */
async function main(): Promise<number> {
  const folder = process.argv[2] ? resolve(process.argv[2]) : ''
  if (!folder) {
    console.error('Name the folder: npm run export -- FOLDER')
    return 2
  }
  if (existsSync(folder) && readdirSync(folder).length > 0) {
    console.error(`${folder} is not empty, and nothing in it is written over. Name a new folder.`)
    return 2
  }
  const pool = openPool(process.env.EKROND_DATABASE_URL!)
  try {
    await migrate(pool, join(process.cwd(), 'server/db/migrations'))
    let files = 0
    for await (const { name, contents } of exportShop(pool)) {
      const path = join(folder, name)
      mkdirSync(dirname(path), { recursive: true })
      writeFileSync(path, contents)
      files++
    }
    console.log(`${files} files written to ${folder}.`)
    return 0
  } finally {
    await pool.end()
  }
}

process.exitCode = await main()
