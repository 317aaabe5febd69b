import type {
  CatalogueAnswer,
  ListNumberAnswer,
  ListNumbersAnswer,
  MarketAnswer,
  ModelAnswer,
  RevisionsAnswer,
} from '@ekrond/contract/library'
import type { SheetsAnswer } from '@ekrond/contract/jobs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { REVISED } from '../../demo/editions.ts'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('library')
})
afterAll(() => shop.close())

const get = async <T>(url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return { status: response.statusCode, body: response.json<T>() }
}
const find = async (query: string) => (await get<ListNumbersAnswer>(`/api/list-numbers?${query}`)).body

const sheetsAt = (spec: number) =>
  `/api/sheets?${new URLSearchParams({ spec: `${REVISED}/spec/${spec}`, build: `${REVISED}/build/1` }).toString()}`

describe('list numbers', () => {
  it('are found by any fragment of number, maker or model, whatever its case', async () => {
    expect((await find('q=17-2s')).listNumbers.map((one) => one.listNumber)).toEqual(['K-4417-2S'])
    expect((await find('q=tessmer')).total).toBe((await find('q=Tessmer')).total)
    for (const { maker } of (await find('q=besk')).listNumbers) expect(maker).toBe('Besk')
    expect((await find('q=four-barrel')).total).toBe(22)
    expect(await find('q=zeppelin')).toEqual({ listNumbers: [], total: 0 })
  })
  it('a sign that a search gives a meaning is a sign here', async () => {
    for (const sign of ['%25', '_', '%5C', "'"]) expect((await find(`q=${sign}`)).total, sign).toBe(0)
  })
  it('come with their total, as many as were asked for', async () => {
    const { listNumbers, total } = await find('limit=7')
    expect(listNumbers).toHaveLength(7)
    expect(total).toBe(150)
    expect((await find('limit=500')).listNumbers).toHaveLength(150)
    expect((await get('/api/list-numbers?limit=501')).status).toBe(400)
    expect((await get('/api/list-numbers?limit=-1')).status).toBe(400)
  })
  it('say how many of each went back from here', async () => {
    const seen = new Map((await find('limit=500')).listNumbers.map((one) => [one.listNumber, one.seen]))
    const back = await shop.pool.query<{ number: string; n: number }>(
      `select list_number as number, count(*)::int as n from job where status = 'returned' group by 1`,
    )
    expect(back.rows.length).toBeGreaterThan(0)
    for (const { number, n } of back.rows) expect(seen.get(number), number).toBe(n)
    expect([...seen.values()].filter((n) => n > 0)).toHaveLength(back.rows.length)
  })
  it('of a model come with what each is set and calibrated to', async () => {
    const { body } = await get<ModelAnswer>('/api/models/K-44')
    expect(body.variants).toHaveLength(18)
    const one = body.variants.find(({ listNumber }) => listNumber === 'K-4417-2S')!
    expect(one.displacementL).toBe(2.2)
    expect(one.ours).toBe(false)
    expect(one.calibration.find(({ code, place }) => code === 'jet.main' && place === 'P')!.mm).toBe(1.35)
    expect(one.settings.find(({ code }) => code === 'choke.index')!.asWritten).toBe('1 rich')
    expect((await get<ModelAnswer>('/api/models/zeppelin')).body).toEqual({ variants: [] })
  })
  it('a superseded one finds what took its place', async () => {
    const all = (await find('limit=500')).listNumbers
    const newer = all.find((one) => one.supersedes.length > 0)!
    const found = await find(`q=${encodeURIComponent(newer.supersedes[0]!)}`)
    expect(found.listNumbers.map((one) => one.listNumber)).toContain(newer.listNumber)
  })
})

describe('a list number', () => {
  it('says what it fits as, and the other says who fits it', async () => {
    const all = (await find('limit=500')).listNumbers
    const pages = await Promise.all(
      all
        .filter((one) => one.model === 'K-44')
        .map(async (one) => (await get<ListNumberAnswer>(`/api/list-numbers/${one.listNumber}`)).body),
    )
    const one = pages.find((page) => page.fitsAs.length > 0)!
    const other = pages.find((page) => page.listNumber === one.fitsAs[0]!.listNumber)!
    expect(one.fitsAs[0]!.words.length).toBeGreaterThan(5)
    expect(other.fittedBy.map((by) => by.listNumber)).toContain(one.listNumber)
  })
  it('has each value with its source, ground and datum', async () => {
    const { sheets } = (await get<ListNumberAnswer>('/api/list-numbers/K-4417-2S')).body
    for (const setting of sheets.spec.settings)
      for (const field of ['source', 'ground', 'datum', 'hold'] as const)
        expect(setting[field].length, `${setting.name} ${field}`).toBeGreaterThan(3)
  })
  it('that nobody described is told in a sentence', async () => {
    const { status, body } = await get<{ detail: string }>('/api/list-numbers/K-0000-9')
    expect(status).toBe(404)
    expect(body.detail).toBe('The library has no list number “K-0000-9”.')
  })
})

describe('what a value was before', () => {
  it('stands with its source, oldest first, only where it changed', async () => {
    const { revisions, values } = (await get<RevisionsAnswer>(`/api/list-numbers/${REVISED}/revisions`)).body
    expect(revisions.filter((one) => one.kind === 'spec').map((one) => one.revision)).toEqual([
      `${REVISED}/spec/1`,
      `${REVISED}/spec/2`,
    ])
    expect(values['pump.stem/none']!.map((one) => [one.asWritten, one.source])).toEqual([
      ['9.0 ±0.4', 'from relatives'],
      ['9.5 ±0.4', 'factory sheet'],
    ])
    expect(values['mixture.turns/L']!.map((one) => one.asWritten)[0]).toBe('2')
    expect(values['mixture.turns/L']).toHaveLength(2)
    expect(values['float.height/none']).toHaveLength(1)
  })
  it('each revision is still served, as a job that used it needs', async () => {
    const sheets = async (spec: number) =>
      (await get<SheetsAnswer>(sheetsAt(spec))).body.spec.settings.find(
        (setting) => setting.code === 'pump.stem',
      )!.asWritten
    expect([await sheets(1), await sheets(2)]).toEqual(['9.0 ±0.4', '9.5 ±0.4'])
    expect((await get(sheetsAt(9))).status).toBe(404)
  })
})

describe('what identification and parts rest on', () => {
  it('every list number is a candidate, with what can be measured of it', async () => {
    const { candidates } = (await get<CatalogueAnswer>('/api/catalogue')).body
    expect(candidates).toHaveLength(150)
    for (const { id, features, weight } of candidates) {
      expect(weight, id).toBeGreaterThan(0)
      for (const feature of ['throttleBoreMm', 'venturiMm', 'flangeBoltSpacingMm', 'barrels', 'draft'])
        expect(features[feature], `${id} ${feature}`).toBeDefined()
      expect(Number(features.venturiMm), id).toBeLessThanOrEqual(Number(features.throttleBoreMm))
    }
  })
  it('every part of every build sheet can be had somewhere, or is told not to be', async () => {
    const market = (await get<MarketAnswer>('/api/market')).body
    const known = new Set(market.parts.map((part) => part.part))
    const sold = new Set([
      ...market.singles.map((single) => single.part),
      ...market.shelf.map((lies) => lies.part),
      ...market.kits.flatMap((kit) => kit.holds.map((hold) => hold.part)),
    ])
    const all = (await find('limit=500')).listNumbers
    const wanted = new Set<string>()
    for (const one of all.filter((_, i) => i % 9 === 0)) {
      const { sheets } = (await get<ListNumberAnswer>(`/api/list-numbers/${one.listNumber}`)).body
      for (const position of sheets.build.positions)
        if (position.always && position.part) wanted.add(position.part)
    }
    expect([...wanted].filter((part) => !known.has(part))).toEqual([])
    expect([...wanted].filter((part) => !sold.has(part))).toEqual([])
  })
  it('a kit holds parts that the library knows, from a supplier that it knows', async () => {
    const market = (await get<MarketAnswer>('/api/market')).body
    const known = new Set(market.parts.map((part) => part.part))
    const suppliers = new Set(market.suppliers.map((supplier) => supplier.code))
    for (const kit of market.kits) {
      expect(suppliers, kit.code).toContain(kit.supplier)
      expect(kit.holds.length, kit.code).toBeGreaterThan(0)
      for (const hold of kit.holds) expect(known, `${kit.code} ${hold.part}`).toContain(hold.part)
    }
  })
})
