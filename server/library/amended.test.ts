import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { AppendAnswer, JobAnswer } from '@ekrond/contract/jobs'
import type { ListNumberAnswer } from '@ekrond/contract/library'
import type { OutcomesAnswer } from '@ekrond/contract/outcomes'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('amended')
})
afterAll(() => shop.close())

const get = async <T>(url: string) => (await shop.app.inject({ url })).json<T>()

/** Enters something on a job of the demo: 1181, a K-4417-2S that is being set. */
async function tell(kind: string, data: object, by = 'R. Oda') {
  const { job } = await get<JobAnswer>('/api/jobs/1181')
  const entry = {
    id: randomUUID(),
    job,
    kind,
    v: 1,
    body: 1,
    data,
    by,
    at: shop.services.clock().toISOString(),
  }
  const answer = await shop.app.inject({
    method: 'POST',
    url: `/api/jobs/${job}/entries`,
    payload: { entries: [entry] },
  })
  return answer.json<AppendAnswer>().answers[0]!
}

const barb = {
  position: 'own.a1b2c3',
  name: 'Overflow barb',
  kind: 'tube',
  circuit: 'air',
  place: 'none',
  quantity: 1,
  mm: null,
  part: '',
  stamped: '',
  underneath: '',
  at: [30, 10],
  absent: false,
  layer: 6,
}
const idle = {
  code: 'fastIdle.gap',
  place: 'none',
  name: 'Fast idle',
  quantity: 'gap',
  unit: 'mm',
  asWritten: '0.90 ±0.10',
  target: 0.9,
  lo: 0.8,
  hi: 1,
  datum: 'plate to bore',
  hold: '',
  held: 'inverted',
  on: ['throttle.shaft'],
  off: [],
  more: 'Screw in.',
  less: 'Screw out.',
  source: 'shop',
  ground: 'measured on it',
  absent: false,
}

describe('a unit that differs from its book', () => {
  it('is told how many of its number differed alike', async () => {
    expect(await tell('own.part', barb)).toMatchObject({ outcome: 'accepted' })
    expect(await tell('setting.added', idle)).toMatchObject({ outcome: 'accepted' })
    const seen = await get<OutcomesAnswer>('/api/outcomes?listNumber=K-4417-2S')
    expect(seen.takenApart).toBeGreaterThanOrEqual(1)
    expect(seen.amended).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ what: 'own.part', name: 'Overflow barb', part: 'tube', jobs: 1 }),
        expect.objectContaining({ what: 'setting.added', name: 'Fast idle', part: null, jobs: 1 }),
      ]),
    )
    // Of another number nothing is told of it.
    expect((await get<OutcomesAnswer>('/api/outcomes?listNumber=S26-14F')).amended).toEqual([])
  })
  it('stays this unit’s alone: the book has no new revision', async () => {
    const before = await get<ListNumberAnswer>('/api/list-numbers/K-4417-2S')
    expect(
      await tell('amend.kept', { of: 'own.a1b2c3', how: 'this unit', why: 'an owner fitted it' }),
    ).toMatchObject({ outcome: 'accepted' })
    const after = await get<ListNumberAnswer>('/api/list-numbers/K-4417-2S')
    expect(after.sheets.specRev).toBe(before.sheets.specRev)
    expect(after.sheets.buildRev).toBe(before.sheets.buildRev)
  })
  it('or puts the book right: its next revision has that and nothing else of the job, with who and why', async () => {
    const before = await get<ListNumberAnswer>('/api/list-numbers/K-4417-2S')
    const next = (rev: string) => rev.replace(/\d+$/, (n) => String(Number(n) + 1))
    expect(
      await tell('amend.kept', { of: 'fastIdle.gap/none', how: 'book', why: 'on three of four' }),
    ).toMatchObject({ outcome: 'accepted' })
    const after = await get<ListNumberAnswer>('/api/list-numbers/K-4417-2S')
    expect(after.sheets.specRev).toBe(next(before.sheets.specRev))
    expect(after.sheets.spec.settings.find(({ code }) => code === 'fastIdle.gap')).toMatchObject({
      target: 0.9,
      less: 'Screw out.',
    })
    // The barb is not the book's.
    expect(after.sheets.build.positions.some(({ name }) => name === 'Overflow barb')).toBe(false)
    expect(await tell('amend.kept', { of: 'own.a1b2c3', how: 'book', why: 'on all of them' })).toMatchObject({
      outcome: 'accepted',
    })
    const both = await get<ListNumberAnswer>('/api/list-numbers/K-4417-2S')
    expect(both.sheets.buildRev).toBe(next(before.sheets.buildRev))
    expect(both.sheets.build.positions.find(({ name }) => name === 'Overflow barb')).toMatchObject({
      kind: 'tube',
    })
    // The job goes on by the sheets that it was begun with, and its own part stands once.
    const job = await get<JobAnswer>('/api/jobs/1181')
    expect(job.sheets[1]!.buildRev).toBe(before.sheets.buildRev)
  })
  it('says so where nothing of it differs there', async () => {
    expect(await tell('amend.kept', { of: 'own.none', how: 'book', why: 'guess' })).toMatchObject({
      outcome: 'refused',
      code: 'not amended',
    })
  })
})
