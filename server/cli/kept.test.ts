import { randomUUID } from 'node:crypto'
import { afterAll, describe, expect, it } from 'vitest'
import { opening } from '../../demo/log-entries.ts'
import { aloneInShop } from '../db/presence.ts'
import { isUntouched, kindOfShop, tablesOfAShop } from '../db/untouched.ts'
import { openLive } from '../live/events.ts'
import { catalogueFolder, NOW, openShop, type TestShop } from '../test/shop.ts'
import { loadDemoIfEmpty, resetDemo } from './demo.ts'

const shops: TestShop[] = []
const open = async (name: string, demo: boolean) => {
  const shop = await openShop(name, { demo })
  shops.push(shop)
  return shop
}
afterAll(() => Promise.all(shops.map((shop) => shop.close())))

const enterJob = async ({ services }: TestShop) => {
  const job = randomUUID()
  const entry = { id: randomUUID(), job, kind: 'job.opened', v: 2, data: opening, by: 'R. Oda', at: NOW }
  const { answers } = await services.appender.append(job, [entry])
  expect(answers[0]!.outcome).toBe('accepted')
  return job
}
const count = async ({ pool }: TestShop, table: string) =>
  (await pool.query<{ n: number }>(`select count(*)::int as n from ${table}`)).rows[0]!.n

describe('a shop that somebody works in', () => {
  it('is never emptied by the demo, whatever an older start noted of one that it did not finish', async () => {
    const shop = await open('kept_cut_off', false)
    await shop.pool.query("insert into setup (what) values ('demo')")
    const job = await enterJob(shop)
    expect(await loadDemoIfEmpty(shop.services, catalogueFolder)).toBe(false)
    expect((await shop.pool.query('select job from job')).rows).toEqual([{ job }])
    expect(await kindOfShop(shop.pool)).toBe('real')
  })
  it('with its own name and people and no job yet stays what it is', async () => {
    const shop = await open('kept_settings', false)
    const settings = {
      name: 'Brass and Bowl',
      place: 'Lower Osk',
      zone: 'UTC',
      currency: { code: 'XXX', exponent: 2 },
      workingDays: [1, 2, 3],
      hourMinor: 0,
      people: ['A. Bell'],
      gauges: [],
    }
    const saved = await shop.app.inject({
      method: 'PUT',
      url: '/api/shop',
      payload: { version: 0, by: 'A. Bell', settings },
    })
    expect(saved.statusCode).toBe(200)
    expect(await loadDemoIfEmpty(shop.services, catalogueFolder)).toBe(false)
    expect(await count(shop, 'list_number')).toBe(0)
    expect((await shop.services.shop()).name).toBe('Brass and Bowl')
  })
  it('keeps a single row of any of its tables from the demo', async () => {
    const shop = await open('kept_rows', false)
    expect(await isUntouched(shop.pool)).toBe(true)
    expect(await tablesOfAShop(shop.pool)).toContain('photograph')
    await shop.pool.query(
      "insert into photograph (hash, picture) values (decode(repeat('0', 64), 'hex'), '')",
    )
    expect(await isUntouched(shop.pool)).toBe(false)
  })
})

describe('the demo', () => {
  it('is loaded whole or not at all', async () => {
    const shop = await open('kept_whole', false)
    const cut = { ...shop.services, clock: () => new Date('no instant') }
    await expect(loadDemoIfEmpty(cut, catalogueFolder)).rejects.toThrow()
    expect(await isUntouched(shop.pool)).toBe(true)
    expect(await loadDemoIfEmpty(shop.services, catalogueFolder)).toBe(true)
    expect(await count(shop, 'job')).toBe(15)
    expect(await kindOfShop(shop.pool)).toBe('demo')
    expect((await shop.app.inject({ url: '/api/keeping' })).json()).toMatchObject({ kind: 'demo' })
  })
  it('is reset for who names how many jobs go, and a real shop never is', async () => {
    const demo = await open('kept_reset', true)
    await enterJob(demo)
    await expect(resetDemo(demo.services, catalogueFolder, 15)).rejects.toThrow(
      'There are 16 jobs in this demo shop, not 15. Nothing was deleted.',
    )
    expect(await count(demo, 'job')).toBe(16)
    await resetDemo(demo.services, catalogueFolder, 16)
    expect(await count(demo, 'job')).toBe(15)
    const real = await open('kept_real', false)
    await enterJob(real)
    await expect(resetDemo(real.services, catalogueFolder, 1)).rejects.toThrow('This is no demo shop')
    expect(await count(real, 'job')).toBe(1)
  })
  it('is not reset under a server that is open on it', async () => {
    const shop = await open('kept_open', false)
    const live = openLive(shop.url)
    await expect
      .poll(async () => {
        const alone = await aloneInShop(shop.url)
        await alone?.leave()
        return alone === null
      })
      .toBe(true)
    await live.close()
    await expect
      .poll(async () => {
        const alone = await aloneInShop(shop.url)
        await alone?.leave()
        return alone !== null
      })
      .toBe(true)
  })
})
