import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { OutcomesAnswer } from '@ekrond/contract/outcomes'
import type { JobAnswer } from '@ekrond/contract/jobs'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('outcomes')
})
afterAll(() => shop.close())

const outcomes = async (listNumber = '') =>
  (
    await shop.app.inject({ url: `/api/outcomes${listNumber ? `?listNumber=${listNumber}` : ''}` })
  ).json<OutcomesAnswer>()

describe('what complaints came of here', () => {
  it('is nothing before an answer names its causes; older answers are told of their list number all the same', async () => {
    const { answered, causes, relatives } = await outcomes('K-4438-2S')
    expect({ answered, causes }).toEqual({ answered: 0, causes: {} })
    expect(relatives).toMatchObject([{ number: 1187, explained: true, causes: [] }])
  })
  it('counts the last answer of a job that went back, each cause once', async () => {
    const { job } = (await shop.app.inject({ url: '/api/jobs/1187' })).json<JobAnswer>()
    const { rows } = await shop.pool.query<{ id: string }>(
      `select id from entry where job = $1 and kind = 'complaint.answered'`,
      [job],
    )
    const send = (corrects: string, causes: string[]) => {
      const id = randomUUID()
      const entry = {
        id,
        job,
        kind: 'complaint.answered',
        v: 1,
        data: { explained: true, by: ['needle'], words: 'a groove', causes },
        by: 'R. Oda',
        at: shop.services.clock().toISOString(),
        corrects,
      }
      return shop.app
        .inject({ method: 'POST', url: `/api/jobs/${job}/entries`, payload: { entries: [entry] } })
        .then(() => id)
    }
    const first = await send(rows[0]!.id, ['seat'])
    await send(first, ['needle', 'seat'])
    const { answered, causes, relatives } = await outcomes('K-4438-2S')
    expect(answered).toBe(1)
    expect(causes).toEqual({ needle: 1, seat: 1 })
    expect(relatives[0]).toMatchObject({ number: 1187, causes: ['needle', 'seat'] })
    expect((await outcomes('K-4463-1')).relatives).toEqual([])
  })
  it('gives the run logs in which a probe was read, to learn from, in their order', async () => {
    const { job } = (await shop.app.inject({ url: '/api/jobs/1187' })).json<JobAnswer>()
    expect((await outcomes('K-4438-2S')).runs).toEqual([])
    for (const note of [
      { what: 'lambda', band: 'wide open', lambda: 0.9 },
      { what: 'change', of: 'main jet 1.35 to 1.30', way: 'leaner', expects: '' },
      { what: 'lambda', band: 'wide open', lambda: 0.96 },
    ]) {
      const entry = {
        id: randomUUID(),
        job,
        kind: 'run.noted',
        v: 2,
        data: { note, words: '' },
        by: 'R. Oda',
        at: shop.services.clock().toISOString(),
      }
      const said = await shop.app.inject({
        method: 'POST',
        url: `/api/jobs/${job}/entries`,
        payload: { entries: [entry] },
      })
      expect(said.json<{ answers: { outcome: string }[] }>().answers[0]!.outcome).toBe('accepted')
    }
    const { runs } = await outcomes('K-4438-2S')
    expect(runs.map((run) => run.map(({ what }) => what))).toEqual([['lambda', 'change', 'lambda']])
    expect((await outcomes('K-4463-1')).runs).toEqual([])
  })
  it('counts how units of a list number ended that did not go back', async () => {
    const { rows } = await shop.pool.query<{ listNumber: string }>(
      `select j.list_number as "listNumber" from job j join entry e using (job) where e.kind = 'job.closed' and e.data->>'why' = 'condemned'`,
    )
    expect((await outcomes(rows[0]!.listNumber)).ends).toEqual({ condemned: 1 })
    expect((await outcomes('K-4438-2S')).ends).toEqual({})
  })
})
