import type { Problem } from '@ekrond/contract/problem'
import type { MarketAnswer } from '@ekrond/contract/library'
import type { StoreAnswer, StoreKind, StoreRecord, StoresAnswer } from '@ekrond/contract/stores'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('stores')
})
afterAll(() => shop.close())

const get = async <T>(url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return { status: response.statusCode, body: response.json<T & Problem>() }
}
const put = async <K extends StoreKind>(
  what: K,
  code: string,
  version: number,
  record: Partial<StoreRecord<K>> | null,
  by = 'I. Marrow',
) => {
  const response = await shop.app.inject({
    method: 'PUT',
    url: `/api/stores/${what}/${encodeURIComponent(code)}`,
    payload: { version, by, record },
  })
  return { status: response.statusCode, body: response.json<{ version: number } & Problem>() }
}
const supplier = (code: string, more = {}) => ({ code, name: `House ${code}`, shippingMinor: 450, ...more })
const part = (code: string, more: Partial<StoreRecord<'part'>> = {}): StoreRecord<'part'> => ({
  code,
  name: 'Power valve',
  kind: 'diaphragm',
  material: 'rubber',
  tell: 'two rings on the stem',
  drawing: '',
  shelf: 2,
  prices: [],
  ...more,
})
const market = async () => (await get<MarketAnswer>('/api/market')).body

describe('what a shop buys and keeps, edited on screen', () => {
  it('a part with its price is bought from the moment it is saved', async () => {
    expect((await put('supplier', 'SH', 0, supplier('SH'))).body.version).toBe(1)
    const prices = [{ supplier: 'SH', priceMinor: 1240, leadDays: 3 }]
    expect((await put('part', 'PV-1', 0, part('PV-1', { prices }))).body.version).toBe(1)
    const { singles, shelf, parts } = await market()
    expect(singles).toContainEqual({ part: 'PV-1', ...prices[0] })
    expect(shelf).toContainEqual({ part: 'PV-1', quantity: 2 })
    expect(parts.find((one) => one.part === 'PV-1')).toMatchObject({ kind: 'diaphragm', usedBy: [] })
  })
  it('a kit holds what it says, and its next version what that says', async () => {
    const kit: StoreRecord<'kit'> = {
      code: 'KIT-9',
      name: 'Small repair',
      supplier: 'SH',
      priceMinor: 3900,
      leadDays: 2,
      stock: 1,
      holds: [{ part: 'PV-1', quantity: 2 }],
    }
    expect((await put('kit', 'KIT-9', 0, kit)).status).toBe(200)
    expect((await market()).kits.find(({ code }) => code === 'KIT-9')).toMatchObject({
      holds: [{ part: 'PV-1', quantity: 2 }],
    })
    await put('kit', 'KIT-9', 1, { ...kit, priceMinor: 4100, holds: [{ part: 'PV-1', quantity: 1 }] })
    const { body } = await get<StoreAnswer<'kit'>>('/api/stores/kit/KIT-9')
    expect(body.record).toMatchObject({ priceMinor: 4100, holds: [{ part: 'PV-1', quantity: 1 }] })
    expect(body.changes.map(({ version, by }) => [version, by])).toEqual([
      [2, 'I. Marrow'],
      [1, 'I. Marrow'],
    ])
    expect(body.changes[1]!.record).toMatchObject({ priceMinor: 3900 })
  })
  it('what an import brought can be changed too, and says who did', async () => {
    const { body } = await get<StoresAnswer>('/api/stores/supplier')
    const rows = body.rows.filter(({ code }) => code !== 'SH')
    const { record, version } = (await get<StoreAnswer<'supplier'>>(`/api/stores/supplier/${rows[0]!.code}`))
      .body
    expect(version).toBe(0)
    expect((await put('supplier', rows[0]!.code, 0, { ...record!, shippingMinor: 1 })).body.version).toBe(1)
    expect((await market()).suppliers.find(({ code }) => code === rows[0]!.code)!.shippingMinor).toBe(1)
  })
  it('two who edit one thing: the second one sees that it changed, and by whom', async () => {
    await put('supplier', 'SH', 1, supplier('SH', { shippingMinor: 500 }), 'T. Hale')
    const late = await put('supplier', 'SH', 1, supplier('SH', { shippingMinor: 600 }))
    expect(late.status).toBe(409)
    expect(late.body.detail).toContain('T. Hale changed SH while you did')
    const both = await Promise.all([1, 2].map((n) => put('part', 'RACE', 0, part('RACE', { shelf: n }))))
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409])
  })
  it.each<[string, StoreKind, unknown, string]>([
    [
      'a price below nothing',
      'part',
      part('X', { prices: [{ supplier: 'SH', priceMinor: -1, leadDays: 1 }] }),
      'must be 0 or more',
    ],
    [
      'nobody who sells it',
      'part',
      part('X', { prices: [{ supplier: 'NOBODY', priceMinor: 1, leadDays: 1 }] }),
      'no supplier “NOBODY”',
    ],
    [
      'one supplier twice',
      'part',
      part('X', { prices: [1, 2].map((priceMinor) => ({ supplier: 'SH', priceMinor, leadDays: 1 })) }),
      'listed twice',
    ],
    [
      'a kit of nothing',
      'kit',
      { code: 'X', name: 'n', supplier: 'SH', priceMinor: 1, leadDays: 1, stock: 0, holds: [] },
      'Add the parts',
    ],
    [
      'a kit of a stranger',
      'kit',
      {
        code: 'X',
        name: 'n',
        supplier: 'SH',
        priceMinor: 1,
        leadDays: 1,
        stock: 0,
        holds: [{ part: 'GHOST', quantity: 1 }],
      },
      'no part “GHOST”',
    ],
    ['half a piece', 'part', part('X', { shelf: 0.5 }), 'Whole pieces'],
    ['no name', 'supplier', supplier('X', { name: ' ' }), 'Enter the supplier’s name'],
    ['another number', 'supplier', supplier('Y'), 'cannot be changed'],
  ])('%s is turned down with why, and nothing is kept', async (_, what, record, sentence) => {
    const { status, body } = await put(what, 'X', 0, record as never)
    expect(status).toBe(422)
    expect(body.detail).toContain(sentence)
    expect((await get(`/api/stores/${what}/X`)).status).toBe(404)
  })
  it('what is used is not taken out; what is not goes, and its history stays', async () => {
    const used = await put('part', 'PV-1', 1, null)
    expect(used.status).toBe(422)
    expect(used.body.detail).toContain('used by kit KIT-9')
    expect((await put('supplier', 'SH', 2, null)).body.detail).toContain('SH is used by')
    expect((await put('kit', 'KIT-9', 2, null)).status).toBe(200)
    expect((await put('part', 'PV-1', 1, null)).status).toBe(200)
    const { singles, shelf, kits } = await market()
    expect([...singles, ...shelf].some((one) => one.part === 'PV-1')).toBe(false)
    expect(kits.some(({ code }) => code === 'KIT-9')).toBe(false)
    const gone = (await get<StoreAnswer>('/api/stores/part/PV-1')).body
    expect(gone.record).toBeNull()
    expect(gone.changes).toHaveLength(2)
    // And can be entered again, by its next version.
    expect((await put('part', 'PV-1', 2, part('PV-1'))).body.version).toBe(3)
  })
  it('a part of a list number’s sheet says so', async () => {
    const { parts } = await market()
    const sold = parts.find(({ usedBy }) => usedBy.length > 0)!
    const { usedBy } = (await get<StoreAnswer>(`/api/stores/part/${sold.part}`)).body
    expect(usedBy).toEqual(expect.arrayContaining(sold.usedBy.slice(0, 3)))
    expect((await put('part', sold.part, 0, null)).status).toBe(422)
  })
  it('is found by any fragment, its signs taken literally', async () => {
    await put('part', 'A%B', 0, part('A%B', { name: 'Odd one' }))
    const found = async (q: string) =>
      (await get<StoresAnswer>(`/api/stores/part?q=${encodeURIComponent(q)}`)).body.rows.map(
        ({ code }) => code,
      )
    expect(await found('odd o')).toEqual(['A%B'])
    expect(await found('%')).toEqual(['A%B'])
  })
  it('lies in the drawer of its kind, and all kinds are there whichever is open', async () => {
    const drawer = async (kind: string) =>
      (await get<StoresAnswer>(`/api/stores/part?kind=${encodeURIComponent(kind)}`)).body
    const { rows, kinds, count } = await drawer('float')
    expect(rows.length).toBeGreaterThan(2)
    expect(new Set(rows.map(({ kind }) => kind))).toEqual(new Set(['float']))
    expect(count).toBeGreaterThan(rows.length)
    for (const kind of ['float', 'gasket', 'jet', 'seat']) expect(kinds).toContain(kind)
    expect((await drawer('nothing like it')).rows).toEqual([])
  })
})
