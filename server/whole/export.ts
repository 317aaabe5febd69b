import { TABLES } from '@ekrond/contract/library'
import { stringify } from 'csv-stringify/sync'
import type { Client, Pool, Queryable } from '../db/pool.ts'
import { kindOfShop } from '../db/untouched.ts'
import { selectEntriesOf, selectReturnSheetsOf } from '../jobs/jobs.sql.ts'
import { selectPhotograph } from '../photos/photos.sql.ts'
import { selectShop, selectShopChanges } from '../shop/shop.sql.ts'
import { MANIFEST, sha256, type Manifest } from './manifest.ts'

export interface ExportFile {
  name: string
  contents: Buffer
}
interface Written {
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

/** Rows of one reading: so much is in memory at once, however large the shop is. */
const REVISIONS_AT_ONCE = 40
const ENTRIES_AT_ONCE = 500

/**
 * Everything that the shop has, file by file: who it is, its library with every revision, its flat tables, each job with its log
 * and the sheets that went out, its photographs; the manifest, with the hash of each, comes last. One snapshot of the database, so that
 * the files belong together; whoever stops reading lets go of it.
 */
export async function* exportShop(pool: Pool, madeAt: Date): AsyncGenerator<ExportFile> {
  const client = await pool.connect()
  const manifest: Manifest = {
    format: 2,
    what: 'a whole Ekrond shop',
    madeAt: madeAt.toISOString(),
    counts: {},
    files: {},
  }
  let lost: unknown
  try {
    await client.query('begin transaction isolation level repeatable read read only')
    for await (const { name, contents } of filesOf(client, manifest.counts)) {
      const bytes = Buffer.isBuffer(contents) ? contents : Buffer.from(contents)
      manifest.files[name] = [bytes.length, sha256(bytes)]
      yield { name, contents: bytes }
    }
    yield { name: MANIFEST, contents: Buffer.from(json(manifest)) }
  } catch (error) {
    lost = error
    throw error
  } finally {
    await client.query('rollback').catch(() => undefined)
    client.release(lost !== undefined)
  }
}

async function* filesOf(client: Client, counts: Manifest['counts']): AsyncGenerator<Written> {
  yield await shopFile(client)
  yield* libraryFiles(client, counts)
  for (const [file, source] of Object.entries(SOURCES)) {
    const columns = Object.keys(TABLES[file as keyof typeof TABLES])
    const { rows } = await client.query(`select ${columns.join(', ')} from ${source}`)
    yield { name: file, contents: stringify(rows, { header: true, columns }) }
  }
  yield* jobFiles(client, counts)
  yield* photographFiles(client, counts)
}

async function shopFile(db: Queryable): Promise<Written> {
  const { rows: makers } = await db.query('select maker as code, numbering from maker order by maker')
  const { rows: stores } = await db.query(
    'select what, code, version, at, by, record from store_change order by what, code, version',
  )
  const { rows: gaugeChecks } = await db.query(
    'select gauge, good_on::text, off_on::text from gauge_check order by gauge',
  )
  return {
    name: 'shop.json',
    contents: json({
      format: 2,
      kind: await kindOfShop(db),
      shop: await selectShop(db),
      makers,
      changes: await selectShopChanges(db, null),
      stores,
      gaugeChecks,
    }),
  }
}

async function* libraryFiles(client: Client, counts: Manifest['counts']): AsyncGenerator<Written> {
  const { rows: models } = await client.query('select model, maker, name from model order by model')
  yield {
    name: 'models.csv',
    contents: stringify(models, { header: true, columns: ['model', 'maker', 'name'] }),
  }
  const { rows: numbers } = await client.query<{ listNumber: string }>(
    `select list_number as "listNumber", model, mark, weight, features, supersedes, fits_as as "fitsAs", merged_into as "mergedInto",
            coalesce((select jsonb_agg(jsonb_build_object('number', number, 'at', at, 'by', by, 'what', what, 'why', why) order by number)
                        from list_number_change c where c.list_number = list_number.list_number), '[]') as changes
       from list_number order by list_number`,
  )
  counts.listNumbers = numbers.length
  yield { name: 'list-numbers.json', contents: json(numbers) }
  counts.revisions = 0
  const file = (listNumber: string, rows: unknown[]) => ({
    name: `revisions/${encodeURIComponent(listNumber)}.json`,
    contents: json(rows),
  })
  let of: string | undefined
  let own: unknown[] = []
  for await (const rows of inParts<{ list_number: string }>(
    client,
    `select list_number, revision, kind, number, sha256, added_at as "addedAt", by, why, sheet
       from sheet_revision order by list_number, kind, number`,
    REVISIONS_AT_ONCE,
  ))
    for (const { list_number, ...revision } of rows) {
      counts.revisions++
      if (of !== undefined && of !== list_number) {
        yield file(of, own)
        own = []
      }
      of = list_number
      own.push(revision)
    }
  if (of !== undefined) yield file(of, own)
}

async function* jobFiles(client: Client, counts: Manifest['counts']): AsyncGenerator<Written> {
  const { rows: jobs } = await client.query<{ job: string; number: number; seq: number }>(
    'select job, number, seq from job order by number',
  )
  counts.jobs = jobs.length
  counts.entries = 0
  for (let at = 0; at < jobs.length;) {
    // As many jobs as have so many entries together, and one at least.
    let end = at + 1
    for (let n = jobs[at]!.seq; end < jobs.length && n + jobs[end]!.seq <= ENTRIES_AT_ONCE; end++)
      n += jobs[end]!.seq
    const part = jobs.slice(at, end)
    at = end
    const ids = part.map(({ job }) => job)
    const logs = byJob(await selectEntriesOf(client, ids))
    const sheets = byJob(await selectReturnSheetsOf(client, ids))
    for (const { job, number } of part) {
      const entries = logs.get(job) ?? []
      counts.entries += entries.length
      yield {
        name: `jobs/${number}.json`,
        contents: json({
          format: 1,
          job,
          number,
          entries,
          sheets: (sheets.get(job) ?? []).map(({ job: _, ...sheet }) => sheet),
        }),
      }
    }
  }
}

function byJob<T extends { job: string }>(rows: readonly T[]): Map<string, T[]> {
  const found = new Map<string, T[]>()
  for (const row of rows) {
    const own = found.get(row.job)
    if (own) own.push(row)
    else found.set(row.job, [row])
  }
  return found
}

async function* photographFiles(client: Client, counts: Manifest['counts']): AsyncGenerator<Written> {
  const { rows } = await client.query<{ photograph: string; taken_in: string }>(
    `select encode(hash, 'hex') as photograph, taken_in::text from photograph order by hash`,
  )
  counts.photographs = rows.length
  yield {
    name: 'photographs.csv',
    contents: stringify(rows, { header: true, columns: ['photograph', 'taken_in'] }),
  }
  for (const { photograph } of rows)
    yield { name: `photographs/${photograph}.jpg`, contents: (await selectPhotograph(client, photograph))! }
}

/** A query's rows part by part, by a cursor of this transaction. */
async function* inParts<T extends object>(client: Client, query: string, rows: number): AsyncGenerator<T[]> {
  await client.query(`declare parts no scroll cursor for ${query}`)
  for (;;) {
    const part = await client.query<T>(`fetch ${rows} from parts`)
    if (part.rows.length === 0) break
    yield part.rows
  }
  await client.query('close parts')
}
