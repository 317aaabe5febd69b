import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { opening } from '../../demo/log-entries.ts'
import { folderFiles } from '../import/files.ts'
import { openShop, type TestShop } from '../test/shop.ts'
import { isUntouched, kindOfShop, tablesOfAShop } from '../db/untouched.ts'
import { insertPhotograph } from '../photos/photos.sql.ts'
import { exportShop } from './export.ts'
import { isFree, writeFolder } from './folder.ts'
import { sha256, type Manifest } from './manifest.ts'
import { importShop, isWholeShop, WholeShopFaults } from './import.ts'

let shop: TestShop
let empty: TestShop
let folder: string
beforeAll(async () => {
  shop = await openShop('whole_from')
  await insertPhotograph(shop.pool, hash, picture)
  // A row in each table: one that has none would be compared with nothing.
  await shop.pool.query(
    `insert into gauge_check (gauge, good_on, off_on) values ('caliper 2', '2026-10-01', '2026-11-20');
     insert into store_change (what, code, version, at, by, record) values ('part', 'FL-090', 1, '2026-11-24T08:00:00Z', 'R. Oda', null);
     insert into list_number_change (list_number, number, at, by, what, why) values ('K-4417-2S', 1, '2026-11-24T08:00:00Z', 'R. Oda', 'copied', 'seen');
     insert into shop_change (version, at, by, settings) values (1, '2026-11-24T08:00:00Z', 'R. Oda', (
       select jsonb_build_object('name', name, 'place', place, 'zone', zone, 'workingDays', working_days, 'hourMinor', hour_minor,
         'tankLitres', tank_litres, 'warrantyDays', warranty_days, 'currency', jsonb_build_object('code', currency_code, 'exponent', currency_exponent),
         'people', '[]'::jsonb, 'gauges', '[]'::jsonb) from shop));`,
  )
  empty = await openShop('whole_to', { demo: false })
  folder = mkdtempSync(join(tmpdir(), 'ekrond-whole-'))
  expect(isFree(folder)).toBe(true)
  await writeFolder(exportShop(shop.pool, shop.services.clock()), folder)
})
afterAll(() => Promise.all([shop.close(), empty.close()]))

const picture = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3, 0xff, 0xd9])
const hash = sha256(picture)

/** Every row of every table that the database itself lists. */
const everything = async ({ pool }: TestShop) => {
  const found: Record<string, string[]> = {}
  for (const table of await tablesOfAShop(pool)) {
    const { rows } = await pool.query<{ row: string }>(
      `select to_jsonb(t)::text as row from "${table}" t order by 1`,
    )
    found[table] = rows.map(({ row }) => row)
  }
  return found
}
const faultsOf = (files: string) =>
  importShop(empty.pool, folderFiles(files)).then(
    () => [],
    (error: unknown) => {
      if (error instanceof WholeShopFaults) return error.errors
      throw error
    },
  )
/** The folder with a file changed, and the manifest made to fit it: what is spoilt inside is found by its own checks. */
const broken = (file: string, change: (text: string) => string, fit = true): string => {
  const copy = mkdtempSync(join(tmpdir(), 'ekrond-broken-'))
  cpSync(folder, copy, { recursive: true })
  const changed = change(readFileSync(join(copy, file), 'utf8'))
  writeFileSync(join(copy, file), changed)
  if (!fit) return copy
  const manifest = JSON.parse(readFileSync(join(copy, 'manifest.json'), 'utf8')) as Manifest
  manifest.files[file] = [Buffer.byteLength(changed), sha256(changed)]
  writeFileSync(join(copy, 'manifest.json'), JSON.stringify(manifest))
  return copy
}
const without = (...names: string[]): string => {
  const copy = mkdtempSync(join(tmpdir(), 'ekrond-torn-'))
  cpSync(folder, copy, { recursive: true })
  for (const name of names) rmSync(join(copy, name))
  return copy
}
const isEmpty = async () => expect(await isUntouched(empty.pool)).toBe(true)

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
    await isEmpty()
  })
  it('torn apart is refused, and every file that is missing or altered is named', async () => {
    const jobs = [1182, 1183, 1184, 1186, 1188, 1190, 1192, 1194].map((number) => `jobs/${number}.json`)
    expect((await faultsOf(without(...jobs))).map(({ file }) => file).sort()).toEqual(jobs)
    // A killed one of today has no manifest; what it has looks whole.
    expect(await faultsOf(without('manifest.json'))).toContainEqual(
      expect.objectContaining({
        file: 'manifest.json',
        sentence: expect.stringContaining('cut off') as string,
      }),
    )
    expect(await faultsOf(broken('prices.csv', (t) => t.replace(/\d+$/m, '7'), false))).toContainEqual(
      expect.objectContaining({ file: 'prices.csv', sentence: expect.stringContaining('altered') as string }),
    )
    await isEmpty()
  })
  it('with a return sheet that says something else than what went out is refused by its seal', async () => {
    const spoilt = broken('jobs/1187.json', (t) => t.replace('"asLeft": "', '"asLeft": "9'))
    expect(await faultsOf(spoilt)).toContainEqual(
      expect.objectContaining({ file: 'jobs/1187.json', column: 'sheets.0' }),
    )
    await isEmpty()
  })
  it('with another picture under a picture’s name is refused', async () => {
    const copy = without()
    writeFileSync(join(copy, `photographs/${hash}.jpg`), 'another')
    expect((await faultsOf(copy))[0]!.file).toBe(`photographs/${hash}.jpg`)
    await isEmpty()
  })
  it('is moved to its name when it is whole: one that is cut off leaves none, and the next one clears it away', async () => {
    const place = join(mkdtempSync(join(tmpdir(), 'ekrond-cut-')), 'out')
    async function* cut() {
      let n = 0
      for await (const file of exportShop(shop.pool, shop.services.clock()))
        if (++n > 20) throw new Error('cut')
        else yield file
    }
    await expect(writeFolder(cut(), place)).rejects.toThrow('cut')
    expect(isFree(place)).toBe(true)
    await writeFolder(exportShop(shop.pool, shop.services.clock()), place)
    expect(folderFiles(place).list('jobs')).toHaveLength(15)
  })
  it('taken into an empty shop gives every row as it was, the rack’s among them, and goes on counting', async () => {
    expect(await importShop(empty.pool, folderFiles(folder))).toMatchObject({
      jobs: 15,
      photographs: 1,
      whole: true,
    })
    const all = await everything(shop)
    expect(Object.entries(all).filter(([, rows]) => rows.length === 0)).toEqual([])
    expect(await everything(empty)).toEqual(all)
    expect(await kindOfShop(empty.pool)).toBe('demo')
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
    expect(faults[0]!.sentence).toMatch(/^The demo shop stands here, with 16 jobs/)
    await empty.pool.query("delete from setup where what = 'demo'")
    expect((await faultsOf(folder))[0]!.sentence).toMatch(/^This shop is not empty: it has 16 jobs/)
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
