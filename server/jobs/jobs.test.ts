import type { AppendAnswer, JobAnswer, JobsAnswer } from '@ekrond/contract/jobs'
import type { Problem } from '@ekrond/contract/problem'
import { checkLetter } from '@ekrond/core/log'
import { finding, identified, opening } from '../../demo/log-entries.ts'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { clockFrom } from '../clock.ts'
import { openServices } from '../services.ts'
import { NOW, openShop, type TestShop } from '../test/shop.ts'
import { scanText } from '../reports/label.ts'
import { rebuildProjection } from './rebuild.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('jobs')
})
afterAll(() => shop.close())

const entry = (job: string, kind: string, data: unknown, more: object = {}) => ({
  id: randomUUID(),
  job,
  kind,
  v: 1,
  body: 1,
  data,
  by: 'I. Marrow',
  at: NOW,
  ...more,
})
const send = async (job: string, entries: object[]) => {
  const response = await shop.app.inject({
    method: 'POST',
    url: `/api/jobs/${job}/entries`,
    payload: { entries },
  })
  return { status: response.statusCode, body: response.json<AppendAnswer & Problem>() }
}
const get = async <T>(url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return {
    status: response.statusCode,
    type: response.headers['content-type'],
    body: response.json<T & Problem>(),
  }
}
const openJob = async () => {
  const job = randomUUID()
  const { body } = await send(job, [entry(job, 'job.opened', opening)])
  return { job, number: body.number! }
}

describe('appending to a job’s log', () => {
  it('gives a new job its number and check letter', async () => {
    const job = randomUUID()
    const { status, body } = await send(job, [entry(job, 'job.opened', opening)])
    expect(status).toBe(200)
    expect(body.answers).toMatchObject([{ outcome: 'accepted', seq: 1 }])
    expect(body.letter).toBe(checkLetter(body.number!))
  })

  it('changes nothing when an entry is sent twice, and refuses its id with other contents', async () => {
    const { job } = await openJob()
    const note = entry(job, 'note.written', { text: 'bowl full of rust' })
    expect((await send(job, [note])).body.answers[0]).toMatchObject({ outcome: 'accepted', seq: 2 })
    expect((await send(job, [note, note])).body.answers).toMatchObject([
      { outcome: 'already', seq: 2 },
      { outcome: 'already', seq: 2 },
    ])
    const { rows } = await shop.pool.query<{ n: number }>(
      'select count(*)::int as n from entry where job = $1',
      [job],
    )
    expect(rows[0]!.n).toBe(2)
    const changed = await send(job, [{ ...note, data: { text: 'something else' } }])
    expect(changed).toMatchObject({ status: 409, body: { field: 'id' } })
  })

  it('keeps the order of what is sent at once, refusing one without holding up the rest', async () => {
    const { job } = await openJob()
    const { body } = await send(job, [
      entry(job, 'ident.chosen', identified),
      entry(job, 'part.on', { position: 'float', from: 'old', part: null, proof: 'held', thicknessMm: null }),
      entry(job, 'part.off', { position: 'float', tray: 'B' }),
      entry(job, 'finding.judged', finding('float', 'reuse')),
    ])
    expect(body.answers.map((a) => [a.outcome, 'seq' in a ? a.seq : a.code])).toEqual([
      ['accepted', 2],
      ['refused', 'not off'],
      ['accepted', 3],
      ['accepted', 4],
    ])
  })

  it('takes an act whole or not at all: a finding does not stand whose part never came off', async () => {
    const { job } = await openJob()
    await send(job, [
      entry(job, 'ident.chosen', identified),
      entry(job, 'part.off', { position: 'float', tray: 'B' }, { by: 'O. Dell' }),
    ])
    const off = entry(job, 'part.off', { position: 'float', tray: 'B' })
    const judged = entry(job, 'finding.judged', finding('float', 'replace'), { after: off.id })
    const free = entry(job, 'note.written', { text: 'bowl full of rust' })
    const { body } = await send(job, [off, judged, free])
    expect(body.answers.map((a) => [a.outcome, 'seq' in a ? a.seq : a.code])).toEqual([
      ['refused', 'off twice'],
      ['refused', 'together'],
      ['accepted', 4],
    ])
    // Where the second one fails, the first does not stand either.
    const seat = entry(job, 'part.off', { position: 'seat', tray: 'B' })
    const strange = entry(job, 'finding.judged', finding('nowhere', 'replace'), { after: seat.id })
    const second = (await send(job, [seat, strange])).body
    expect(second.answers).toMatchObject([
      {
        outcome: 'refused',
        code: 'together',
        sentence: expect.stringContaining('no part nowhere') as string,
      },
      { outcome: 'refused', code: 'position' },
    ])
    expect(second.seq).toBe(4)
    // What hangs on an entry that is nowhere is not taken.
    const hanging = entry(job, 'note.written', { text: 'x' }, { after: randomUUID() })
    expect((await send(job, [hanging])).body.answers).toMatchObject([
      { outcome: 'refused', code: 'hangs on' },
    ])
  })

  it('an id stands for one entry: by, at, body or what it corrects cannot differ', async () => {
    const { job } = await openJob()
    const note = entry(job, 'note.written', { text: 'bowl full of rust' })
    await send(job, [note])
    for (const other of [
      { by: 'O. Dell' },
      { at: '2026-11-24T09:00:00.000Z' },
      { v: 2 },
      { half: 'upper' },
      { after: randomUUID() },
    ])
      expect((await send(job, [{ ...note, ...other }])).status, JSON.stringify(other)).toBe(409)
    // The same instant written another way is the same.
    const same = { ...note, at: new Date(note.at).toISOString() }
    expect((await send(job, [same])).body.answers[0]).toMatchObject({ outcome: 'already' })
  })

  it('lets two benches append at the same moment: each seq once, none lost', async () => {
    const { job } = await openJob()
    await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        send(job, [
          entry(job, 'note.written', { text: `note ${i}` }, { by: i % 2 ? 'O. Dell' : 'I. Marrow' }),
        ]),
      ),
    )
    const { rows } = await shop.pool.query<{ seq: number }>(
      'select seq from entry where job = $1 order by seq',
      [job],
    )
    expect(rows.map((row) => row.seq)).toEqual(Array.from({ length: 13 }, (_, i) => i + 1))
  })

  it('refuses a part taken off twice by two processes that share nothing but the database', async () => {
    const { job } = await openJob()
    await send(job, [entry(job, 'ident.chosen', identified)])
    const other = openServices(shop.pool, clockFrom(NOW))
    const [first, second] = await Promise.all([
      shop.services.appender.append(job, [entry(job, 'part.off', { position: 'seat', tray: 'B' })]),
      other.appender.append(job, [
        entry(job, 'part.off', { position: 'seat', tray: 'B' }, { by: 'O. Dell' }),
      ]),
    ])
    expect([first.answers[0]!.outcome, second.answers[0]!.outcome].sort()).toEqual(['accepted', 'refused'])
  })

  it('refuses sheets that the library does not have, and another list number’s', async () => {
    const { job } = await openJob()
    const { body } = await send(job, [
      entry(job, 'ident.chosen', { ...identified, specRev: 'K-4417-2S/spec/99' }),
      entry(job, 'ident.chosen', { ...identified, listNumber: 'K-4477-1' }),
    ])
    expect(body.answers.map((a) => a.outcome)).toEqual(['refused', 'refused'])
  })

  it('answers broken requests with a sentence and the field', async () => {
    const { job } = await openJob()
    expect(await send(job, [{ ...entry(job, 'note.written', { text: 'x' }), id: 'no uuid' }])).toMatchObject({
      status: 400,
      body: { field: 'entries.0.id' },
    })
    expect(await send(job, [entry(randomUUID(), 'note.written', { text: 'x' })])).toMatchObject({
      status: 400,
      body: { field: 'job' },
    })
    expect(await send(job, [entry(job, 'note.written', { text: 'x'.repeat(20_000) })])).toMatchObject({
      status: 413,
    })
    expect(
      await send(
        job,
        Array.from({ length: 101 }, () => entry(job, 'note.written', { text: 'x' })),
      ),
    ).toMatchObject({ status: 400, body: { detail: 'Send at most 100 entries at once.' } })
    const raw = await shop.app.inject({
      method: 'POST',
      url: `/api/jobs/${job}/entries`,
      headers: { 'content-type': 'application/json' },
      payload: '{"entries":[',
    })
    expect(raw.statusCode).toBe(400)
    expect(raw.headers['content-type']).toContain('application/problem+json')
  })

  it('opens no job for an aircraft', async () => {
    const job = randomUUID()
    const { body } = await send(job, [entry(job, 'job.opened', { ...opening, aircraft: true })])
    expect(body).toMatchObject({ number: null, answers: [{ outcome: 'refused', code: 'aircraft' }] })
    expect((await get(`/api/jobs/${job}`)).status).toBe(404)
  })

  it('tells every listener of the append, by job and seq only', async () => {
    const { job } = await openJob()
    const client = await shop.pool.connect()
    const told: string[] = []
    client.on('notification', (message) => told.push(message.payload ?? ''))
    await client.query('listen ekrond')
    await send(job, [entry(job, 'note.written', { text: 'x' })])
    await client.query('select 1')
    client.release()
    expect(told.map((payload) => JSON.parse(payload) as unknown)).toContainEqual({ job, seq: 2 })
  })
})

describe('the rack', () => {
  it('is read in one query, with where each stands and what is late', async () => {
    const before = shop.pool.query.bind(shop.pool)
    let queries = 0
    shop.pool.query = ((...args: Parameters<typeof before>) => {
      queries++
      return before(...args)
    }) as typeof shop.pool.query
    const { body } = await get<JobsAnswer>('/api/jobs')
    shop.pool.query = before
    // One for the jobs, one for the shop's zone.
    expect(queries).toBe(2)
    // Its float takes two days: Tuesday's promise is missed.
    const truck = body.jobs.find((job) => job.equipment === 'lift truck 9')!
    expect(truck).toMatchObject({
      station: 'parts',
      stationState: 'waits',
      late: true,
      promise: '2026-11-24',
      arrives: '2026-11-26',
    })
    expect(body.jobs.find((job) => job.equipment === 'chain windlass')).toMatchObject({
      station: 'set',
      line: 'float height tried 2 times',
      late: false,
    })
  })
  it('finds by any fragment, and takes a percent sign for itself', async () => {
    expect((await get<JobsAnswer>('/api/jobs?q=inspection')).body.jobs.map((job) => job.listNumber)).toEqual([
      'S26-14F',
    ])
    expect((await get<JobsAnswer>('/api/jobs?q=%25')).body.total).toBe(0)
    expect((await get<JobsAnswer>('/api/jobs?limit=nine')).status).toBe(400)
  })
  it('a job by its number, by number and letter, never by a wrong letter', async () => {
    const { body } = await get<JobAnswer>('/api/jobs/1181')
    expect(body).toMatchObject({
      number: 1181,
      letter: checkLetter(1181),
      sheets: { 1: { specRev: 'K-4417-2S/spec/1' } },
    })
    expect((await get(`/api/jobs/1181${checkLetter(1181)}`)).status).toBe(200)
    const wrong = checkLetter(1181) === 'A' ? 'B' : 'A'
    expect(await get(`/api/jobs/1181${wrong}`)).toMatchObject({
      status: 404,
      body: { title: 'Check letter wrong' },
    })
    expect(await get('/api/jobs/99999999999')).toMatchObject({
      status: 404,
      type: expect.stringContaining('problem+json') as string,
    })
  })
  it('is the same when every row is made again from its log', async () => {
    const rows = async () => (await shop.pool.query('select * from job order by number')).rows as unknown[]
    const before = await rows()
    expect(await rebuildProjection(shop.pool)).toBe(before.length)
    expect(await rows()).toEqual(before)
  })
})

describe('the database holds what must never change', () => {
  it('an entry and a sheet', async () => {
    await expect(shop.pool.query("update entry set by_person = 'nobody'")).rejects.toThrow(/never changed/)
    await expect(shop.pool.query("update sheet_revision set sha256 = ''")).rejects.toThrow(/never changed/)
  })
})

describe('the return', () => {
  it('refuses while points stand, stores the sheet with its hash when it goes, and prints it', async () => {
    const { body: fan } = await get<JobAnswer>('/api/jobs/1186')
    const early = await openJob()
    await send(early.job, [entry(early.job, 'ident.chosen', identified)])
    expect(
      (await send(early.job, [entry(early.job, 'job.returned', { seenSeq: 2 })])).body.answers[0],
    ).toMatchObject({ outcome: 'refused', code: 'gate' })
    const { body } = await send(fan.job, [entry(fan.job, 'job.returned', { seenSeq: fan.seq })])
    expect(body.answers[0]).toMatchObject({ outcome: 'accepted' })
    const { rows } = await shop.pool.query<{
      sha256: string
      document: { listNumber: string; revision: string }[]
    }>('select sha256, document from return_sheet where job = $1', [fan.job])
    expect(rows[0]!.sha256).toMatch(/^[0-9a-f]{64}$/)
    expect(rows[0]!.document).toMatchObject([{ listNumber: 'K-4463-1', revision: 'A' }])
    const pdf = await shop.app.inject({ method: 'GET', url: '/api/jobs/1186/sheet.pdf' })
    expect(pdf.headers['content-type']).toBe('application/pdf')
    expect(pdf.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
    expect((await get('/api/jobs/1182/sheet.pdf')).status).toBe(409)
    expect(
      (await send(fan.job, [entry(fan.job, 'part.off', { position: 'float', tray: 'B' })])).body.answers[0],
    ).toMatchObject({ outcome: 'refused', code: 'went back' })
  })
  it('prints a label of 70 by 36 mm whose code a scanner types with its check letter', async () => {
    expect(scanText(1181)).toBe(`~1181${checkLetter(1181)}`)
    const label = await shop.app.inject({ method: 'GET', url: '/api/jobs/1181/label.pdf' })
    expect(label.headers['content-type']).toBe('application/pdf')
    // 70 mm = 198.43 pt, 36 mm = 102.05 pt.
    expect(label.body).toMatch(/\/MediaBox \[0 0 198\.4\d* 102\.0\d*\]/)
  })
  it('exports a job with the revisions that it used', async () => {
    const { body } = await get<{ entries: unknown[]; revisions: Record<string, { listNumber: string }> }>(
      '/api/jobs/1181/export.json',
    )
    expect(Object.keys(body.revisions)).toEqual(['K-4417-2S/spec/1', 'K-4417-2S/build/1'])
    expect(body.entries).toHaveLength(89)
  })
})
