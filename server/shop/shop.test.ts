import type { ShopAnswer, ShopHistoryAnswer, ShopSettings } from '@ekrond/contract/shop'
import type { Problem } from '@ekrond/contract/problem'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('shop')
})
afterAll(() => shop.close())

const settings: ShopSettings = {
  name: 'Kiln Lane Carburetors',
  place: 'Osk',
  zone: 'UTC',
  currency: { code: 'OSK', exponent: 2 },
  workingDays: [1, 2, 3, 4],
  hourMinor: 5400,
  tankLitres: 9,
  warrantyDays: 60,
  people: ['I. Marrow', 'T. Hale'],
  gauges: [
    {
      code: 'C-9',
      name: 'caliper 9',
      kind: 'caliper',
      resolutionMm: 0.01,
      repeatabilityMm: 0.03,
      goodOn: null,
      offOn: null,
    },
  ],
}
const put = async (version: number, changes: Partial<ShopSettings> = {}) => {
  const payload = { version, by: 'I. Marrow', settings: { ...settings, ...changes } }
  const response = await shop.app.inject({ method: 'PUT', url: '/api/shop', payload })
  return { status: response.statusCode, body: response.json<{ version: number } & Problem>() }
}
const get = async <T>(url: string) => (await shop.app.inject({ method: 'GET', url })).json<T>()

describe('the shop as it is edited', () => {
  it('holds from the moment it is saved, and keeps who changed what', async () => {
    const before = await get<ShopAnswer>('/api/shop')
    expect(before.version).toBe(0)
    expect((await put(0)).body.version).toBe(1)
    const now = await get<ShopAnswer>('/api/shop')
    expect(now).toMatchObject({
      version: 1,
      name: 'Kiln Lane Carburetors',
      workingDays: [1, 2, 3, 4],
      hourMinor: 5400,
      tankLitres: 9,
      warrantyDays: 60,
    })
    expect(now.people.map(({ name }) => name)).toEqual(['I. Marrow', 'T. Hale'])
    expect(now.people.find(({ name }) => name === 'T. Hale')!.initials).toBe('TH')
    expect(now.gauges).toMatchObject([{ code: 'C-9', repeatabilityMm: 0.03, goodOn: null, offOn: null }])
    const { changes } = await get<ShopHistoryAnswer>('/api/shop/history')
    expect(changes).toMatchObject([{ version: 1, by: 'I. Marrow', settings: { place: 'Osk' } }])
  })

  it('two who edit at once: the second is told who was first, and nothing of either is lost', async () => {
    const [one, two] = await Promise.all([put(1, { place: 'Osk quay' }), put(1, { place: 'Osk yard' })])
    const [taken, refused] = one.status === 200 ? [one, two] : [two, one]
    expect(taken.status).toBe(200)
    expect(refused).toMatchObject({
      status: 409,
      body: { detail: expect.stringMatching(/^I\. Marrow changed/) as string },
    })
    expect((await get<ShopAnswer>('/api/shop')).version).toBe(2)
    expect((await put(2, { place: 'Osk yard' })).status).toBe(200)
    const { changes } = await get<ShopHistoryAnswer>('/api/shop/history')
    expect(changes.map(({ version }) => version)).toEqual([3, 2, 1])
  })

  it.each([
    ['a zone that no clock has', { zone: 'Osk/Quay' }, /not a time zone/],
    ['two people of one name', { people: ['A', 'A'] }, /Add an initial/],
    ['no working day', { workingDays: [] }, /at least one working day/],
    ['no name', { name: '  ' }, /Enter the shop’s name/],
  ] as const)('refuses %s with its sentence', async (_, changes, sentence) => {
    const answer = await put(3, changes as Partial<ShopSettings>)
    expect(answer.status).toBe(400)
    expect(answer.body.detail).toMatch(sentence)
  })
})
