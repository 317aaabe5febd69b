import { cpSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { opening } from '../../demo/log-entries.ts'
import { folderFiles } from '../import/files.ts'
import { openShop, type TestShop } from '../test/shop.ts'
import { exportShop } from './export.ts'
import { importShop, isWholeShop, WholeShopFaults } from './import.ts'

let shop: TestShop
let empty: TestShop
let folder: string
beforeAll(async () => {
  shop = await openShop('whole_from')
  empty = await openShop('whole_to', { demo: false })
  folder = mkdtempSync(join(tmpdir(), 'ekrond-whole-'))
  for await (const { name, contents } of exportShop(shop.pool)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true })
    writeFileSync(join(folder, name), contents)
  }
})
afterAll(() => Promise.all([shop.close(), empty.close()]))

const TABLES = [
  'shop',
  'shop_change',
  'store_change',
  'maker',
  'model',
  'list_number',
  'list_number_change',
  'sheet_revision',
  'person',
  'gauge',
  'customer',
  'part',
  'supplier',
  'price',
  'kit',
  'kit_hold',
  'shelf',
  'job',
  'entry',
  'return_sheet',
]
const everything = async ({ pool }: TestShop) =>
  Object.fromEntries(
    await Promise.all(
      TABLES.map(async (table) => [
        table,
        (await pool.query<{ row: string }>(`select to_jsonb(t)::text as row from ${table} t order by 1`))
          .rows,
      ]),
    ),
  ) as Record<string, { row: string }[]>
const faultsOf = (files: string) =>
  importShop(empty.pool, folderFiles(files)).then(
    () => [],
    (error: unknown) => {
      if (error instanceof WholeShopFaults) return error.errors
      throw error
    },
  )
const broken = (file: string, change: (text: string) => string): string => {
  const copy = mkdtempSync(join(tmpdir(), 'ekrond-broken-'))
  cpSync(folder, copy, { recursive: true })
  writeFileSync(join(copy, file), change(readFileSync(join(copy, file), 'utf8')))
  return copy
}

describe('the whole shop', () => {
  it('is an open folder of JSON and CSV, one file a job and one a list number', () => {
    const files = folderFiles(folder)
    expect(isWholeShop(files)).toBe(true)
    expect(files.list('jobs')).toHaveLength(15)
    expect(files.list('revisions')).toHaveLength(150)
    expect(files.read('prices.csv')).toMatch(/^part,supplier,price_minor,lead_days\n/)
  })
  it.each([
    ['jobs/1181.json', (t: string) => t.slice(0, t.length / 2), { file: 'jobs/1181.json' }],
    ['jobs/1181.json', (t: string) => t.replace('"seq": 2,', '"seq": 3,'), { column: 'entries.1' }],
    [
      'jobs/1184.json',
      (t: string) => t.replace('"kind": "job.opened"', '"kind": "note.written"'),
      { column: 'entries' },
    ],
    [
      'prices.csv',
      (t: string) => t.replace('price_minor', 'price'),
      { file: 'prices.csv', row: 1, column: 'price_minor' },
    ],
    [
      'prices.csv',
      (t: string) => t.replace(/,hollin,/, ',nobody,'),
      { file: 'prices.csv', column: 'supplier' },
    ],
    [
      'revisions/K-4417-2S.json',
      (t: string) => t.replace('"asWritten"', '"written"'),
      { file: 'revisions/K-4417-2S.json' },
    ],
    [
      'revisions/K-4417-2S.json',
      (t: string) => t.replace('"K-4417-2S/spec/1"', '"K-4417-2S/spec/9"'),
      { file: 'jobs/1181.json', column: 'entries' },
    ],
    [
      'models.csv',
      (t: string) => t.replace(/^K-44,/m, 'K-45,'),
      { file: 'list-numbers.json', sentence: '“K-44” does not stand in models.csv.' },
    ],
    [
      'shop.json',
      (t: string) => t.replace('"code": "Orvane"', '"code": "Orvain"'),
      { file: 'models.csv', column: 'maker' },
    ],
  ])('cut off or spoilt in %s leaves the empty shop empty, and says where', async (file, change, wanted) => {
    expect(await faultsOf(broken(file, change))).toContainEqual(expect.objectContaining(wanted))
    expect((await empty.pool.query('select 1 from job union all select 1 from list_number')).rows).toEqual([])
  })
  it('taken into an empty shop gives every row as it was, the rack’s among them, and goes on counting', async () => {
    expect(await importShop(empty.pool, folderFiles(folder))).toMatchObject({ jobs: 15 })
    expect(await everything(empty)).toEqual(await everything(shop))
    const job = randomUUID()
    const { number } = await empty.services.appender.append(job, [
      {
        id: randomUUID(),
        job,
        kind: 'job.opened',
        v: 2,
        data: opening,
        by: 'R. Oda',
        at: '2026-11-24T11:00:00Z',
      },
    ])
    expect(number).toBe(1196)
  })
  it('is not poured over a shop that has something', async () => {
    const faults = await faultsOf(folder)
    expect(faults[0]!.sentence).toMatch(/^This shop is not empty: it has 16 jobs/)
  })
  it('comes as one packed file as well, of the same names', async () => {
    const response = await shop.app.inject({ method: 'GET', url: '/api/export.zip' })
    expect(response.headers['content-type']).toBe('application/zip')
    expect(response.headers['content-disposition']).toContain('shop-2026-11-24.zip')
    const bytes = response.rawPayload.toString('latin1')
    for (const name of ['shop.json', 'jobs/1195.json', 'revisions/K-4417-2S.json', 'customers.csv'])
      expect(bytes).toContain(`shop-2026-11-24/${name}`)
  })
})
