import type { ImportAnswer } from '@ekrond/contract/library'
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { selectListNumber } from '../library/library.sql.ts'
import { catalogueFolder, openShop, type TestShop } from '../test/shop.ts'
import { folderFiles, sentFiles } from './files.ts'
import { readCatalogue, type ReadCatalogue, type ImportError } from './read.ts'
import type { Row } from './tables.ts'
import { previewCatalogue, writeCatalogue } from './write.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('import_test', { demo: false })
})
afterAll(() => shop.close())

/** A copy of the demo catalogue in which one file was changed. */
function broken(file: string, change: (contents: string) => string): string {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-import-'))
  cpSync(catalogueFolder, folder, { recursive: true })
  writeFileSync(join(folder, file), change(readFileSync(join(folder, file), 'utf8')))
  return folder
}
const errorsOf = async (folder: string): Promise<ImportError[]> => {
  const read = await readCatalogue(folderFiles(folder))
  return 'errors' in read ? read.errors : []
}
const catalogueNames = () => [
  'catalogue.json',
  ...readdirSync(join(catalogueFolder, 'models')).map((name) => `models/${name}`),
  ...readdirSync(catalogueFolder).filter((name) => name.endsWith('.csv')),
]
const good = async () => {
  const read = await readCatalogue(folderFiles(catalogueFolder))
  if ('errors' in read) throw new Error(JSON.stringify(read.errors))
  return read.catalogue
}

describe('reading a catalogue', () => {
  it('reads the demo: four makers, nine models in full, 150 list numbers', async () => {
    const catalogue = await good()
    expect(catalogue.head.makers).toHaveLength(4)
    expect(catalogue.models.map((m) => m.code)).toEqual([
      '12T',
      '24T',
      'B34',
      'D32',
      'K-44',
      'Q-80',
      'S26',
      'U3',
      'U7',
    ])
    expect(catalogue.listNumbers).toHaveLength(150)
  })
  it.each([
    [
      'prices.csv',
      (t: string) => t.replace('price_minor', 'price'),
      { file: 'prices.csv', row: 1, column: 'price_minor' },
    ],
    [
      'prices.csv',
      (t: string) => t.replace(/hollin,\d+/, 'hollin,cheap'),
      { file: 'prices.csv', column: 'price_minor' },
    ],
    [
      'kits.csv',
      (t: string) => t.replace('1980', '19.80'),
      { file: 'kits.csv', row: 2, column: 'price_minor' },
    ],
    ['models/K-44.json', (t: string) => t.slice(0, -400), { file: 'models/K-44.json', row: null }],
    [
      'models/K-44.json',
      (t: string) => t.replace(/"lo": 13,/, '"lo": 99,'),
      { file: 'models/K-44.json', sentence: 'The lower limit lies above the upper one.' },
    ],
    [
      'models/U7.json',
      (t: string) => t.replace('"seat.washer": "WA', '"seat.cushion": "WA'),
      { file: 'models/U7.json', sentence: expect.stringContaining('no position seat.cushion') as string },
    ],
    [
      'catalogue.json',
      (t: string) => t.replace('"format": 1', '"format": 2'),
      { file: 'catalogue.json', column: 'format' },
    ],
    [
      'catalogue.json',
      (t: string) => t.replace(/"zone": "[^"]*"/, '"zone": "Mars/Olympus"'),
      { file: 'catalogue.json', column: 'shop.zone' },
    ],
    [
      'catalogue.json',
      (t: string) => t.replace(/"exponent": \d/, '"exponent": 9'),
      { file: 'catalogue.json', column: 'shop.currency.exponent' },
    ],
    [
      'gauges.csv',
      (t: string) => t.replace(',caliper,', ',telescope,'),
      {
        file: 'gauges.csv',
        column: 'kind',
        sentence: expect.stringContaining('not a kind of gauge') as string,
      },
    ],
    [
      'parts.csv',
      (t: string) => t + t.trim().split('\n').at(-1)! + '\n',
      { file: 'parts.csv', sentence: expect.stringContaining('already') as string },
    ],
    [
      'kit-holds.csv',
      (t: string) => t.replace(/,(\d+)\n/, ',0\n'),
      { file: 'kit-holds.csv', row: 2, column: 'quantity' },
    ],
    [
      'prices.csv',
      (t: string) => t.replace(/hollin,\d+/, 'hollin,99999999999'),
      { file: 'prices.csv', column: 'price_minor' },
    ],
    [
      'models/U7.json',
      (t: string) => t.replaceAll('"U712A"', '"../U712A"'),
      { file: 'models/U7.json', column: '../U712A.listNumber' },
    ],
    [
      'models/U7.json',
      (t: string) => t.replaceAll('"U712A"', `"U7${'1'.repeat(60)}"`),
      { file: 'models/U7.json', sentence: expect.stringContaining('at most 60') as string },
    ],
    [
      'models/U7.json',
      (t: string) => t.replace(/"throttleBoreMm": [\d.]+/, '"throttleBoreMm": "wide"'),
      { file: 'models/U7.json', sentence: 'It is a measure: a number above 0, at most 1000.' },
    ],
    [
      'models/U7.json',
      (t: string) => t.replace(/"float": \[\s*\[/, `"float": [${'[0,0],'.repeat(100_000)}[`),
      { file: 'models/U7.json', sentence: expect.stringContaining('at most 2000 points') as string },
    ],
    [
      'parts.csv',
      (t: string) => t.replace(/,gasket,/, ',unicorn,'),
      {
        file: 'parts.csv',
        column: 'kind',
        sentence: expect.stringContaining('“unicorn” is not a kind of part') as string,
      },
    ],
    [
      'prices.csv',
      (t: string) => t.replace(/,\d+,(\d+)$/m, ',0x10,$1'),
      { file: 'prices.csv', column: 'price_minor', sentence: expect.stringContaining('“0x10”') as string },
    ],
    [
      'gauges.csv',
      (t: string) => t.replace('caliper-2,', `${'c'.repeat(61)},`),
      { file: 'gauges.csv', column: 'gauge', sentence: expect.stringContaining('at most 60') as string },
    ],
    [
      'people.csv',
      (t: string) => t.replace('oda,R. Oda', '\u200b \u200b,R. Oda'),
      { file: 'people.csv', column: 'person', sentence: 'The cell is empty.' },
    ],
    ['prices.csv', (t: string) => t.replaceAll(',', ';').replace(/\n(.)/, '\n"$1'), { file: 'prices.csv' }],
    [
      'prices.csv',
      (t: string) => t.replaceAll(',', ';'),
      { file: 'prices.csv', sentence: expect.stringContaining('semicolons') as string },
    ],
    [
      'models/U7.json',
      (t: string) => t.replaceAll('"number": "U712A"', '"number": "U712B"'),
      { sentence: 'This list number is listed twice.' },
    ],
    [
      'models/U7.json',
      (t: string) =>
        t
          .replace(/("number": "U712B"[\s\S]*?"supersedes": )\[\]/, '$1["U712A"]')
          .replace(/("number": "U712A"[\s\S]*?"supersedes": )\[\]/, '$1["U712B"]'),
      { sentence: 'It refers back to itself: U712B, U712A, U712B.' },
    ],
    ['people.csv', (t: string) => t.replace('I. Marrow', 'I. Mar\u0000row'), { file: 'people.csv' }],
  ])('tells the fault in %s with its place', async (file, change, wanted) => {
    expect(await errorsOf(broken(file, change))).toContainEqual(expect.objectContaining(wanted))
  })
  it('follows no link, and says what is in a file’s place', async () => {
    const folder = broken('parts.csv', (t) => t)
    rmSync(join(folder, 'kits.csv'))
    symlinkSync('/etc/hostname', join(folder, 'kits.csv'))
    rmSync(join(folder, 'people.csv'))
    mkdirSync(join(folder, 'people.csv'))
    const errors = await errorsOf(folder)
    expect(errors).toContainEqual(
      expect.objectContaining({
        file: 'kits.csv',
        sentence: expect.stringContaining('It is a link') as string,
      }),
    )
    expect(errors).toContainEqual(
      expect.objectContaining({
        file: 'people.csv',
        sentence: expect.stringContaining('It is a folder') as string,
      }),
    )
  })
  it('tells a missing file', async () =>
    expect(await errorsOf(mkdtempSync(join(tmpdir(), 'ekrond-empty-')))).toContainEqual(
      expect.objectContaining({ file: 'parts.csv', sentence: 'The file is missing.' }),
    ))
  it('a quotation mark that is not closed is told, and does not swallow the rest in silence', async () => {
    const unclosed = broken('customers.csv', (t) => t + '"Ferry,x,y\n'.repeat(3) + 'a,b,c\n'.repeat(30_000))
    expect(await errorsOf(unclosed)).toContainEqual(
      expect.objectContaining({
        file: 'customers.csv',
        sentence: expect.stringMatching(
          /^The file cannot be read as CSV from here on: .*quotation mark/,
        ) as string,
      }),
    )
  })
  it('after a thousand faults it reads no further and says so', async () => {
    const errors = await errorsOf(broken('customers.csv', (t) => t + ',,\n'.repeat(5000)))
    const told = errors.filter(({ file }) => file === 'customers.csv')
    expect(told).toHaveLength(1001)
    expect(told.at(-1)!.sentence).toContain('was not read')
  })
})

describe('writing it', () => {
  it('twice changes nothing; a changed sheet is a new revision and the old one stays', async () => {
    expect(await writeCatalogue(shop.pool, await good())).toMatchObject({ newRevisions: 300, changed: [] })
    expect(await writeCatalogue(shop.pool, await good())).toEqual({
      newRevisions: 0,
      newListNumbers: [],
      changed: [],
    })
    const changed = await good()
    const setting = changed.listNumbers[0]!.spec.settings[0]!
    const before = setting.asWritten
    setting.asWritten = '1 3/4'
    const wanted = {
      newRevisions: 1,
      changed: [
        {
          listNumber: changed.listNumbers[0]!.number,
          kind: 'spec',
          differences: [{ about: 'setting', name: setting.name, a: before, b: '1 3/4' }],
        },
      ],
    }
    // Looked at first, nothing is taken; then it is.
    expect(await previewCatalogue(shop.pool, changed)).toMatchObject(wanted)
    expect(await previewCatalogue(shop.pool, await good())).toMatchObject({ newRevisions: 0 })
    expect(await writeCatalogue(shop.pool, changed)).toMatchObject(wanted)
    const found = await selectListNumber(shop.pool, changed.listNumbers[0]!.number)
    expect(found!.sheets.specRev).toMatch(/\/spec\/2$/)
    const { rows } = await shop.pool.query(
      'select revision from sheet_revision where list_number = $1 and kind = $2',
      [changed.listNumbers[0]!.number, 'spec'],
    )
    expect(rows).toHaveLength(2)
  })
  it('by upload: looked at, then taken, the folder’s own name left away', async () => {
    const files = Object.fromEntries(
      catalogueNames().map((name) => [`lantern/${name}`, readFileSync(join(catalogueFolder, name), 'utf8')]),
    )
    const send = async (sent: Record<string, string>, take: boolean) =>
      (
        await shop.app.inject({ method: 'POST', url: '/api/import', payload: { files: sent, take } })
      ).json<ImportAnswer>()
    expect(await send(files, false)).toMatchObject({
      taken: false,
      errors: [],
      preview: { listNumbers: 150, newListNumbers: [] },
    })
    const spoilt = {
      ...files,
      'lantern/prices.csv': files['lantern/prices.csv']!.replace('price_minor', 'price'),
    }
    expect(await send(spoilt, true)).toMatchObject({
      taken: false,
      errors: expect.arrayContaining([
        expect.objectContaining({ file: 'prices.csv', row: 1, column: 'price_minor' }),
      ]) as unknown,
      preview: null,
    })
    expect(await send(files, true)).toMatchObject({ taken: true })
    expect(await readCatalogue(sentFiles({}))).toMatchObject({ errors: expect.any(Array) as unknown })
  })
  it('a table longer than one statement comes in whole, and one that changes meanwhile not at all', async () => {
    const many = Array.from({ length: 12_345 }, (_, i) => `Customer ${i},engine ${i},equipment ${i}\n`).join(
      '',
    )
    const folder = broken('customers.csv', (t) => t + many)
    const read = await readCatalogue(folderFiles(folder))
    if ('errors' in read) throw new Error(JSON.stringify(read.errors))
    await writeCatalogue(shop.pool, read.catalogue)
    const count = async () =>
      (
        await shop.pool.query<{ n: number }>(
          "select count(*)::int as n from customer where customer like 'Customer %'",
        )
      ).rows[0]!.n
    expect(await count()).toBe(12_345)

    const table = join(folder, 'customers.csv')
    writeFileSync(table, readFileSync(table, 'utf8').replaceAll('Customer', 'Late customer') + 'Torn,off\n')
    await expect(writeCatalogue(shop.pool, read.catalogue)).rejects.toThrow(
      /customers\.csv changed while it was read/,
    )
    expect((await shop.pool.query("select 1 from customer where customer like 'Late%'")).rows).toEqual([])
    await shop.pool.query("delete from customer where customer like 'Customer %'")
  })
  it('all or nothing: a price for a part that does not exist leaves no trace', async () => {
    const { catalogue } = (await readCatalogue(
      sentFiles(
        Object.fromEntries(
          catalogueNames().map((name) => [name, readFileSync(join(catalogueFolder, name), 'utf8')]),
        ),
      ),
    )) as { catalogue: ReadCatalogue }
    const { 'customers.csv': customers, 'prices.csv': prices } = catalogue.tables as unknown as Record<
      string,
      Row[]
    >
    customers!.push({ customer: 'New one', engine: 'e', equipment: 'q' })
    prices!.push({ part: 'NOWHERE', supplier: 'hollin', price_minor: 1, lead_days: 1 })
    await expect(writeCatalogue(shop.pool, catalogue)).rejects.toThrow(/price_part_fkey/)
    expect((await shop.pool.query("select 1 from customer where customer = 'New one'")).rows).toEqual([])
  })
})
