import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { BathsAnswer } from '@ekrond/contract/baths'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('baths')
})
afterAll(() => shop.close())

const baths = async () => (await shop.app.inject({ url: '/api/baths' })).json<BathsAnswer>()

describe('the bath over all jobs', () => {
  it('lists what is off and may be washed, of every job that is apart, soonest promise first', async () => {
    const { items, left } = await baths()
    expect(left).toBe(0)
    expect(new Set(items.map(({ number }) => number)).size).toBeGreaterThan(2)
    const promises = [...new Map(items.map(({ number, promise }) => [number, promise])).values()]
    expect([...promises].sort()).toEqual(promises)
    // A float is listed with why it stays out; it is in no load.
    const float = items.find(({ kind }) => kind === 'float')!
    expect(float.wash).toMatchObject({ bath: 'none', why: expect.stringContaining('heat') as string })
  })
  it('follows the logs: in, then drying', async () => {
    const { items } = await baths()
    const item = items.find(({ wash, state }) => wash.bath === 'warm' && state === 'waits')!
    const send = (kind: string, data: unknown) =>
      shop.app.inject({
        method: 'POST',
        url: `/api/jobs/${item.job}/entries`,
        payload: {
          entries: [
            {
              id: crypto.randomUUID(),
              job: item.job,
              kind,
              v: 1,
              body: item.body,
              data,
              by: 'R. Oda',
              at: shop.services.clock().toISOString(),
            },
          ],
        },
      })
    const state = async () =>
      (await baths()).items.find(
        (one) => one.job === item.job && one.body === item.body && one.position === item.position,
      )?.state
    await send('bath.in', { positions: [item.position], minutes: 12, celsius: 50 })
    expect(await state()).toBe('in')
    await send('bath.out', { positions: [item.position] })
    expect(await state()).toBe('drying')
  })
})
