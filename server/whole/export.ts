import { stringify } from 'csv-stringify/sync'
import type { Pool, Queryable } from '../db/pool.ts'
import { TABLES } from '@ekrond/contract/library'
import { selectEntries, selectReturnSheets } from '../jobs/jobs.sql.ts'
import { selectPhotograph, selectPhotographs } from '../photos/photos.sql.ts'
import { selectShop, selectShopChanges } from '../shop/shop.sql.ts'

export interface ExportFile {
  name: string
  contents: string | Buffer
}

const json = (value: unknown) => `${JSON.stringify(value, null, 1)}\n`

/** Each flat file's table in the database and how its rows are ordered. */
const SOURCES: Record<keyof typeof TABLES, string> = {
  'parts.csv': 'part order by part',
  'suppliers.csv': 'supplier order by supplier',
  'prices.csv': 'price order by part, supplier',
  'kits.csv': 'kit order by kit',
  'kit-holds.csv': 'kit_hold order by kit, part',
  'shelf.csv': 'shelf order by part',
  'gauges.csv': 'gauge order by gauge',
  'people.csv': 'person order by person',
  'customers.csv': 'customer order by customer, engine, equipment',
}

/**
 * Everything that the shop has, file by file: who it is, its library with every revision, its flat tables, each job with its log
 * and the sheets that went out. One snapshot of the database, so that the files belong together.
 */
export async function* exportShop(pool: Pool): AsyncGenerator<ExportFile> {
  const client = await pool.connect()
  try {
    await client.query('begin transaction isolation level repeatable read read only')
    yield await shopFile(client)
    yield* libraryFiles(client)
    for (const [file, source] of Object.entries(SOURCES)) {
      const columns = Object.keys(TABLES[file as keyof typeof TABLES])
      const { rows } = await client.query(`select ${columns.join(', ')} from ${source}`)
      yield { name: file, contents: stringify(rows, { header: true, columns }) }
    }
    const jobs = await client.query<{ job: string; number: number }>(
      'select job, number from job order by number',
    )
    for (const { job, number } of jobs.rows)
      yield {
        name: `jobs/${number}.json`,
        contents: json({
          format: 1,
          job,
          number,
          entries: await selectEntries(client, job),
          sheets: await selectReturnSheets(client, job),
        }),
      }
    for (const hash of await selectPhotographs(client))
      yield { name: `photographs/${hash}.jpg`, contents: (await selectPhotograph(client, hash))! }
  } finally {
    await client.query('rollback').catch(() => undefined)
    client.release()
  }
}

async function shopFile(db: Queryable): Promise<ExportFile> {
  const { rows: makers } = await db.query('select maker as code, numbering from maker order by maker')
  const { rows: stores } = await db.query(
    'select what, code, version, at, by, record from store_change order by what, code, version',
  )
  return {
    name: 'shop.json',
    contents: json({
      format: 1,
      shop: await selectShop(db),
      makers,
      changes: await selectShopChanges(db),
      stores,
    }),
  }
}

async function* libraryFiles(db: Queryable): AsyncGenerator<ExportFile> {
  const { rows: models } = await db.query('select model, maker, name from model order by model')
  yield {
    name: 'models.csv',
    contents: stringify(models, { header: true, columns: ['model', 'maker', 'name'] }),
  }
  const { rows: numbers } = await db.query<{ listNumber: string }>(
    `select list_number as "listNumber", model, mark, weight, features, supersedes, fits_as as "fitsAs", merged_into as "mergedInto",
            coalesce((select jsonb_agg(jsonb_build_object('number', number, 'at', at, 'by', by, 'what', what, 'why', why) order by number)
                        from list_number_change c where c.list_number = list_number.list_number), '[]') as changes
       from list_number order by list_number`,
  )
  yield { name: 'list-numbers.json', contents: json(numbers) }
  for (const { listNumber } of numbers) {
    const { rows } = await db.query(
      `select revision, kind, number, sha256, added_at as "addedAt", by, why, sheet
         from sheet_revision where list_number = $1 order by kind, number`,
      [listNumber],
    )
    yield { name: `revisions/${encodeURIComponent(listNumber)}.json`, contents: json(rows) }
  }
}
