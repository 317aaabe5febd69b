import type { CatalogueAnswer, ListNumberAnswer, ListNumbersAnswer } from '@ekrond/contract/library'
import type { Problem } from '@ekrond/contract/problem'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('numbers')
})
afterAll(() => shop.close())

const get = async <T>(url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return { status: response.statusCode, body: response.json<T & Problem>() }
}
const post = async (listNumber: string, what: 'copies' | 'supersedes' | 'merge', more: object) => {
  const response = await shop.app.inject({
    method: 'POST',
    url: `/api/list-numbers/${listNumber}/${what}`,
    payload: { by: 'I. Marrow', why: 'seen on the bench', ...more },
  })
  return { status: response.statusCode, body: response.json<{ listNumber: string } & Problem>() }
}
const page = async (listNumber: string) =>
  (await get<ListNumberAnswer>(`/api/list-numbers/${listNumber}`)).body
const candidates = async () =>
  (await get<CatalogueAnswer>('/api/catalogue')).body.candidates.map(({ id }) => id)
const found = async (q: string) =>
  (await get<ListNumbersAnswer>(`/api/list-numbers?q=${q}`)).body.listNumbers.map(
    ({ listNumber }) => listNumber,
  )

describe('a list number made after another', () => {
  it('has its values as its relative’s, none as read on a sheet of its own', async () => {
    expect((await post('K-4417-2S', 'copies', { as: 'K-4499-1', mark: 'K-4499-1' })).status).toBe(200)
    const made = await page('K-4499-1')
    const own = await page('K-4417-2S')
    expect(made.model).toBe(own.model)
    expect(made.sheets.spec.listNumber).toBe('K-4499-1')
    expect(made.sheets.specRev).toBe('K-4499-1/spec/1')
    expect(new Set(made.sheets.spec.settings.map(({ source }) => source))).toEqual(
      new Set(['from relatives']),
    )
    expect(made.sheets.spec.settings.map(({ target }) => target)).toEqual(
      own.sheets.spec.settings.map(({ target }) => target),
    )
    expect(made.sheets.build.positions).toEqual(own.sheets.build.positions)
    expect(made.changes).toMatchObject([{ by: 'I. Marrow', what: 'made after the K-4417-2S' }])
    expect(await candidates()).toContain('K-4499-1')
  })
  it('a number that is taken, or one that nobody has, is refused', async () => {
    expect(await post('K-4417-2S', 'copies', { as: 'K-4417-1', mark: '' })).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining('has a K-4417-1 already') as string },
    })
    expect((await post('NOBODY', 'copies', { as: 'X-1', mark: '' })).status).toBe(404)
    expect((await post('K-4417-2S', 'copies', { as: ' ', mark: '' })).status).toBe(400)
  })
})

describe('a number that took an older one’s place', () => {
  it('is found by either, says so on its next revision, and the older one points to it', async () => {
    expect((await post('K-4431-1', 'supersedes', { older: 'OLD-77' })).status).toBe(200)
    const now = await page('K-4431-1')
    expect(now.supersedes).toContain('OLD-77')
    expect(now.sheets.spec.supersedes).toContain('OLD-77')
    expect(now.sheets.specRev).toBe('K-4431-1/spec/2')
    expect(await found('OLD-7')).toEqual(['K-4431-1'])
    await post('K-4431-1', 'supersedes', { older: 'K-4417-1' })
    expect((await page('K-4417-1')).supersededBy).toEqual(['K-4431-1'])
  })
  it('no circle, not twice, not itself', async () => {
    expect((await post('K-4417-1', 'supersedes', { older: 'K-4431-1' })).body.detail).toContain(
      'Check which one is newer',
    )
    expect((await post('K-4431-1', 'supersedes', { older: 'OLD-77' })).status).toBe(422)
    expect((await post('K-4431-1', 'supersedes', { older: 'K-4431-1' })).status).toBe(422)
  })
})

describe('a unit that was taught twice', () => {
  it('is one candidate from then on, found by both numbers; its sheets stay for the jobs that stand on them', async () => {
    const { sheets } = await page('K-4499-1')
    expect((await post('K-4499-1', 'merge', { into: 'K-4417-2S' })).body.listNumber).toBe('K-4417-2S')
    expect(await candidates()).not.toContain('K-4499-1')
    expect(await found('4499')).toEqual(['K-4417-2S'])
    expect(await page('K-4499-1')).toMatchObject({
      mergedInto: 'K-4417-2S',
      sheets: { specRev: sheets.specRev },
    })
    expect((await page('K-4417-2S')).merged).toEqual(['K-4499-1'])
    const kept = await get(
      `/api/sheets?spec=${encodeURIComponent(sheets.specRev)}&build=${encodeURIComponent(sheets.buildRev)}`,
    )
    expect(kept.status).toBe(200)
  })
  it('what went back by either makes the one that stands likelier', async () => {
    const weight = async () =>
      (await get<CatalogueAnswer>('/api/catalogue')).body.candidates.find(({ id }) => id === 'K-4417-2S')!
        .weight
    const before = await weight()
    await shop.pool.query(
      `update job set list_number = 'K-4499-1' where number = (select min(number) from job where status = 'returned')`,
    )
    expect(await weight()).toBe(before + 1)
  })
  it('is not merged twice, into itself, in a ring, or with another kind of unit', async () => {
    expect((await post('K-4499-1', 'merge', { into: 'K-4431-1' })).status).toBe(409)
    expect((await post('K-4417-2S', 'merge', { into: 'K-4417-2S' })).status).toBe(422)
    expect((await post('K-4417-2S', 'merge', { into: 'K-4499-1' })).body.detail).toContain(
      'was itself merged',
    )
    expect((await post('K-4417-2S', 'merge', { into: 'K-4431-1' })).body.detail).toContain(
      'Undo those merges first',
    )
    expect((await post('S26-14F', 'merge', { into: 'K-4431-1' })).body.detail).toContain(
      'are not the same unit',
    )
  })
  it('can be parted again, and its history says both', async () => {
    expect((await post('K-4499-1', 'merge', { into: null })).status).toBe(200)
    expect(await candidates()).toContain('K-4499-1')
    expect((await page('K-4499-1')).changes.map(({ what }) => what)).toEqual([
      'merge with K-4417-2S undone',
      'merged into K-4417-2S',
      'made after the K-4417-2S',
    ])
    expect((await post('K-4499-1', 'merge', { into: null })).status).toBe(422)
  })
})
