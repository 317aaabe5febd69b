import { randomUUID } from 'node:crypto'
import type { AppendAnswer, JobAnswer } from '@ekrond/contract/jobs'
import type { SpecSheet } from '@ekrond/core/sheets'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('known')
})
afterAll(() => shop.close())

const job = async () => (await shop.app.inject({ url: '/api/jobs/1186' })).json<JobAnswer>()
const giveBack = async () => {
  const { job: id, seq } = await job()
  const entry = {
    id: randomUUID(),
    job: id,
    kind: 'job.returned',
    v: 1,
    data: { seenSeq: seq },
    by: 'I. Marrow',
    at: shop.services.clock().toISOString(),
    saw: seq,
  }
  const answer = await shop.app.inject({
    method: 'POST',
    url: `/api/jobs/${id}/entries`,
    payload: { entries: [entry] },
  })
  return answer.json<AppendAnswer>().answers[0]!
}

describe('what library and gauge drawer know of a job that is ready', () => {
  it('is nothing against it while neither changed', async () => {
    const { known } = await job()
    expect(known.newest).toEqual({})
    expect(known.gauges).toEqual([])
    expect(known.stamped[1]!.upper.listNumber).toBe('K-4463-1')
  })
  it('a gauge that was found off stops it until its settings are read again', async () => {
    const { entries } = await job()
    const reading = entries.findLast(
      ({ kind, data }) => kind === 'reading.taken' && (data as { gauge: string | null }).gauge,
    )!
    const { gauge } = reading.data as { gauge: string }
    await shop.pool.query('insert into gauge_check (gauge, off_on) values ($1, $2)', [gauge, '2026-11-24'])
    expect((await job()).known.gauges).toEqual([{ code: gauge, goodOn: null, foundOffOn: '2026-11-24' }])
    expect(await giveBack()).toMatchObject({
      outcome: 'refused',
      code: 'gate',
      sentence: expect.stringContaining('the gauge was off') as string,
    })
    await shop.pool.query('delete from gauge_check')
  })
  it('a sheet that was corrected in the library meanwhile stops it by the value that differs', async () => {
    const { rows } = await shop.pool.query<{ sheet: SpecSheet; number: number }>(
      `select sheet, number from sheet_revision where list_number = 'K-4463-1' and kind = 'spec' order by number desc limit 1`,
    )
    const { sheet, number } = rows[0]!
    const settings = sheet.settings.map((one) =>
      one.code === 'float.height' ? { ...one, asWritten: '12.0 ±0.4', target: 12, lo: 11.6, hi: 12.4 } : one,
    )
    await shop.pool.query(
      `insert into sheet_revision (list_number, kind, number, revision, sha256, sheet, added_at, by, why)
         values ('K-4463-1', 'spec', $1, 'K-4463-1/spec/corrected', 'none', $2, $3, 'R. Oda', 'misprint')`,
      [number + 1, JSON.stringify({ ...sheet, settings }), '2026-11-24T10:00:00Z'],
    )
    expect((await job()).known.newest[1]!.specRev).toBe('K-4463-1/spec/corrected')
    const refused = await giveBack()
    expect(refused).toMatchObject({
      outcome: 'refused',
      sentence: expect.stringContaining('the library has 12.0 ±0.4 now') as string,
    })
    // The other settings are asked for nothing.
    expect((refused as { sentence: string }).sentence).not.toContain(';')
  })
})
