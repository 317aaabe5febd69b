import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { join } from 'node:path'
import { migrate } from './db/migrate.ts'
import { openShop, type TestShop } from './test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('app_test')
})
afterAll(() => shop.close())
const get = async (url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return {
    status: response.statusCode,
    headers: response.headers,
    body: response.json<Record<string, never>>(),
  }
}

describe('the server', () => {
  it('is well while its database answers', async () =>
    expect((await get('/api/health')).body).toMatchObject({ ok: true, database: true }))
  it('describes its own interface from the schemas that check it', async () => {
    const { body } = await get('/api/openapi.json')
    const paths = (body as unknown as { paths: Record<string, { post?: { requestBody: unknown } }> }).paths
    expect(Object.keys(paths)).toEqual(
      expect.arrayContaining([
        '/api/jobs',
        '/api/jobs/{number}',
        '/api/jobs/{job}/entries',
        '/api/list-numbers',
      ]),
    )
    expect(JSON.stringify(paths['/api/jobs/{job}/entries']!.post!.requestBody)).toContain('corrects')
  })
  it('says in problem+json that there is nothing', async () => {
    const { status, headers } = await get('/api/nowhere')
    expect(status).toBe(404)
    expect(headers['content-type']).toContain('application/problem+json')
  })
  it('finds list numbers by any fragment with a total, and each with its sheets', async () => {
    const { body } = await get('/api/list-numbers?q=4417&limit=1')
    expect(body).toMatchObject({ total: 2, listNumbers: [{ listNumber: 'K-4417-1' }] })
    expect((await get('/api/list-numbers/K-4417-2S')).body).toMatchObject({
      sheets: { specRev: 'K-4417-2S/spec/1' },
    })
    expect((await get('/api/list-numbers/K-0000')).status).toBe(404)
  })
  it('offers what could cover needs, with whom each part is for', async () => {
    const { body } = await get('/api/market')
    const market = body as unknown as {
      kits: { code: string; holds: unknown[] }[]
      parts: { part: string; usedBy: string[] }[]
    }
    expect(market.kits.find((kit) => kit.code === '31-B')!.holds).toHaveLength(14)
    expect(market.parts.find((part) => part.part === 'GK-442B')!.usedBy).toContain('K-4417-2S')
  })
  it('applies each migration once, also when three start together', async () => {
    const folder = join(import.meta.dirname, 'db/migrations')
    expect((await Promise.all([1, 2, 3].map(() => migrate(shop.pool, folder)))).flat()).toEqual([])
  })
  it('keeps the shop’s day by EKROND_NOW', async () =>
    expect((await get('/api/shop')).body).toMatchObject({
      today: '2026-11-24',
      now: '2026-11-24T10:40:00.000Z',
    }))
})
