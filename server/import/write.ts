import { sheetDifferences, type Difference } from '@ekrond/core/judge/differences'
import { createHash } from 'node:crypto'
import { inTransaction, type Client, type Pool } from '../db/pool.ts'
import type { ReadCatalogue } from './read.ts'
import type { Row, Rows, Tables } from './tables.ts'

/** Writes a catalogue in one transaction. Sheets that differ from their newest revision become a new one; the same twice changes nothing. */
export const writeCatalogue = (pool: Pool, catalogue: ReadCatalogue): Promise<Written> =>
  inTransaction(pool, (client) => applyCatalogue(client, catalogue))

/** What a catalogue would change, without changing it: it is written and taken back. */
export async function previewCatalogue(pool: Pool, catalogue: ReadCatalogue): Promise<Written> {
  const client = await pool.connect()
  try {
    await client.query('begin')
    return await applyCatalogue(client, catalogue)
  } finally {
    await client.query('rollback').catch(() => undefined)
    client.release()
  }
}

export interface Written {
  newRevisions: number
  newListNumbers: string[]
  /** sheets that differ from the newest revision that the shop had */
  changed: { listNumber: string; kind: 'spec' | 'build'; differences: Difference[] }[]
}

async function applyCatalogue(client: Client, catalogue: ReadCatalogue): Promise<Written> {
  const { head, models, tables } = catalogue
  await writeShop(client, head)
  await upsert(
    client,
    'model',
    ['model'],
    models.map((m) => ({ model: m.code, maker: m.maker, name: m.name })),
  )
  await upsert(
    client,
    'list_number',
    ['list_number'],
    catalogue.listNumbers.map((l) => ({
      list_number: l.number,
      model: l.model,
      mark: l.mark,
      weight: l.weight,
      // A sheet's own engine helps to tell it; what a taught unit's family lends does not.
      features: l.spec.taught ? l.features : { ...l.features, engineL: l.spec.engine.displacementL },
      supersedes: l.spec.supersedes,
      fits_as: l.fitsAs,
    })),
  )
  const written = await addRevisions(client, catalogue)
  await writeTables(client, tables)
  return written
}

export async function writeShop(client: Client, head: ReadCatalogue['head']): Promise<void> {
  await client.query(
    `insert into shop (name, place, zone, currency_code, currency_exponent, working_days, hour_minor, tank_litres, warranty_days)
       values ($1, $2, $3, $4, $5, $6, $7, coalesce($8, 6), coalesce($9, 90))
       on conflict (only_one) do update set name = excluded.name, place = excluded.place, zone = excluded.zone,
         currency_code = excluded.currency_code, currency_exponent = excluded.currency_exponent,
         working_days = excluded.working_days, hour_minor = excluded.hour_minor,
         tank_litres = coalesce($8, shop.tank_litres), warranty_days = coalesce($9, shop.warranty_days)`,
    [
      head.shop.name,
      head.shop.place,
      head.shop.zone,
      head.shop.currency.code,
      head.shop.currency.exponent,
      head.shop.workingDays,
      head.shop.hourMinor,
      head.shop.tankLitres ?? null,
      head.shop.warrantyDays ?? null,
    ],
  )
  await upsert(
    client,
    'maker',
    ['maker'],
    head.makers.map((m) => ({ maker: m.code, numbering: m.numbering })),
  )
}

export async function writeTables(client: Client, tables: Tables): Promise<void> {
  await upsertAll(client, 'person', ['person'], tables['people.csv'])
  await upsertAll(client, 'gauge', ['gauge'], tables['gauges.csv'])
  await upsertAll(client, 'customer', ['customer', 'engine', 'equipment'], tables['customers.csv'])
  await upsertAll(client, 'part', ['part'], tables['parts.csv'])
  await upsertAll(client, 'supplier', ['supplier'], tables['suppliers.csv'])
  await upsertAll(client, 'price', ['part', 'supplier'], tables['prices.csv'])
  await upsertAll(client, 'kit', ['kit'], tables['kits.csv'])
  for await (const kits of batches(tables['kits.csv']))
    await client.query('delete from kit_hold where kit = any($1)', [kits.map((kit) => kit.kit)])
  await upsertAll(client, 'kit_hold', ['kit', 'part'], tables['kit-holds.csv'])
  await upsertAll(client, 'shelf', ['part'], tables['shelf.csv'])
}

/** Rows and characters of JSON that one statement takes: what is larger goes in several, and the memory stays what it is. */
const BATCH = 5000
const BATCH_CHARACTERS = 4_000_000

/** Rows as JSON arrays, none of them larger than one statement takes. */
function* jsonParts(rows: Iterable<Record<string, unknown>>): Generator<string> {
  let part: string[] = []
  let length = 0
  for (const row of rows) {
    const text = JSON.stringify(row)
    if (part.length && (part.length >= BATCH || length + text.length > BATCH_CHARACTERS)) {
      yield `[${part.join(',')}]`
      part = []
      length = 0
    }
    part.push(text)
    length += text.length
  }
  if (part.length) yield `[${part.join(',')}]`
}

async function* batches(rows: Rows): AsyncGenerator<Row[]> {
  let batch: Row[] = []
  for await (const row of rows) {
    batch.push(row)
    if (batch.length < BATCH) continue
    yield batch
    batch = []
  }
  if (batch.length) yield batch
}

async function upsertAll(client: Client, table: string, keys: string[], rows: Rows): Promise<void> {
  for await (const batch of batches(rows)) await upsert(client, table, keys, batch)
}

/** Rows as JSON, columns by name, in as few statements as they fit. Table and column names come from this file and the import's own list. */
async function upsert(
  client: Client,
  table: string,
  keys: string[],
  rows: Record<string, unknown>[],
): Promise<void> {
  if (rows.length === 0) return
  const columns = Object.keys(rows[0]!)
  const rest = columns.filter((column) => !keys.includes(column))
  const onConflict = rest.length
    ? `do update set ${rest.map((column) => `${column} = excluded.${column}`).join(', ')}`
    : 'do nothing'
  const source = `select ${columns.join(', ')} from jsonb_populate_recordset(null::${table}, $1)`
  for (const part of jsonParts(rows))
    await client.query(
      `insert into ${table} (${columns.join(', ')}) ${source} on conflict (${keys.join(', ')}) ${onConflict}`,
      [part],
    )
}

async function addRevisions(client: Client, catalogue: ReadCatalogue): Promise<Written> {
  const newest = await client.query<{
    list_number: string
    kind: string
    number: number
    sha256: string
    sheet: never
  }>(
    'select distinct on (list_number, kind) list_number, kind, number, sha256, sheet from sheet_revision where list_number = any($1) order by list_number, kind, number desc',
    [catalogue.listNumbers.map((item) => item.number)],
  )
  const known = new Map(newest.rows.map((row) => [`${row.list_number}|${row.kind}`, row]))
  const written: Written = { newRevisions: 0, newListNumbers: [], changed: [] }
  const rows = catalogue.listNumbers.flatMap((item) =>
    (['spec', 'build'] as const).flatMap((kind) => {
      const sheet = JSON.stringify(item[kind])
      const sha256 = createHash('sha256').update(sheet).digest('hex')
      const before = known.get(`${item.number}|${kind}`)
      if (before?.sha256 === sha256) return []
      const number = (before?.number ?? 0) + 1
      if (before) {
        const was = { spec: item.spec, build: item.build, [kind]: before.sheet }
        written.changed.push({ listNumber: item.number, kind, differences: sheetDifferences(was, item) })
      } else if (kind === 'spec') written.newListNumbers.push(item.number)
      return [
        {
          revision: `${item.number}/${kind}/${number}`,
          list_number: item.number,
          kind,
          number,
          sha256,
          sheet: item[kind],
        },
      ]
    }),
  )
  written.newRevisions = rows.length
  await insertRows(client, 'sheet_revision', rows)
  return written
}

/** Rows that are new; columns that a row does not name keep their default. */
export async function insertRows(
  client: Client,
  table: string,
  rows: Record<string, unknown>[],
): Promise<void> {
  if (rows.length === 0) return
  const columns = Object.keys(rows[0]!).join(', ')
  for (const part of jsonParts(rows))
    await client.query(
      `insert into ${table} (${columns}) select ${columns} from jsonb_populate_recordset(null::${table}, $1)`,
      [part],
    )
}
