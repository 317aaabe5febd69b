import type { AppendAnswer, CustomersAnswer, JobAnswer, JobsAnswer } from '@ekrond/contract/jobs'
import type { Problem } from '@ekrond/contract/problem'
import type { ReturnSheet } from '@ekrond/core/bench/return-sheet'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { identified, opening, reading } from '../../demo/log-entries.ts'
import { NOW, openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('counter')
})
afterAll(() => shop.close())

const entry = (job: string, kind: string, data: unknown, more: object = {}) => ({
  id: randomUUID(),
  job,
  kind,
  v: kind === 'job.opened' ? 2 : 1,
  data,
  by: 'I. Marrow',
  at: NOW,
  ...more,
})
const send = async (job: string, ...entries: object[]) => {
  const response = await shop.app.inject({
    method: 'POST',
    url: `/api/jobs/${job}/entries`,
    payload: { entries },
  })
  return response.json<AppendAnswer>()
}
const get = async <T>(url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return { status: response.statusCode, body: response.json<T & Problem>() }
}
const open = async (more: object = {}) => {
  const job = randomUUID()
  const answer = await send(job, entry(job, 'job.opened', { ...opening, ...more }))
  return { job, answer, number: answer.number }
}
const rack = async (query = '') => (await get<JobsAnswer>(`/api/jobs${query}`)).body

describe('customers', () => {
  const find = async (q: string) =>
    (await get<CustomersAnswer>(`/api/customers?q=${encodeURIComponent(q)}`)).body.customers
  it('are found as one types, by name, engine or equipment, each engine of theirs by itself', async () => {
    expect(await find('rink')).toContainEqual({
      customer: 'Osk skating rink',
      engine: 'resurfacer, 1.8 L',
      equipment: 'ice resurfacer',
      jobs: 2,
      lastReturned: 1187,
    })
    expect((await find('5.2 L')).map(({ customer }) => customer)).toEqual(['Heron mill'])
    const orchard = (await find('upper orchard')).map(({ equipment }) => equipment)
    expect(new Set(orchard).size).toBe(orchard.length)
    expect(orchard.length).toBeGreaterThan(1)
    expect(await find('nobody at all')).toEqual([])
  })
  it('those whose name begins so come first', async () => {
    const names = (await find('osk')).map(({ customer }) => customer)
    const last = names.findLastIndex((name) => name.startsWith('Osk'))
    expect(names.slice(0, last + 1).every((name) => name.startsWith('Osk'))).toBe(true)
  })
  it.each([`O'Lock; drop table job; --`, `"Weir" & <b>Sons</b>`, '100 %_\\'])(
    'a name like %s is a name',
    async (customer) => {
      const { number } = await open({ customer })
      expect(await find(customer)).toEqual([
        {
          customer,
          engine: opening.engine,
          equipment: opening.equipment,
          jobs: 1,
          lastReturned: null,
        },
      ])
      expect((await rack(`?q=${encodeURIComponent(customer)}`)).jobs.map((row) => row.number)).toEqual([
        number,
      ])
      expect((await rack(`?customer=${encodeURIComponent(customer)}`)).total).toBe(1)
    },
  )
})

describe('taking in', () => {
  it('a promise in the past is refused, today is not', async () => {
    const { answer } = await open({ promise: '2026-11-12' })
    expect(answer.answers[0]).toMatchObject({ outcome: 'refused', code: 'promise', field: 'promise' })
    expect((await open({ promise: '2026-11-24' })).answer.answers[0]!.outcome).toBe('accepted')
  })
  it('a bank of forty is refused with what to do, six are not', async () => {
    expect((await open({ bodies: 40 })).answer.answers[0]).toMatchObject({
      outcome: 'refused',
      field: 'bodies',
      sentence: expect.stringContaining('Open a second job for what hangs on another rail') as string,
    })
    expect((await open({ bodies: 6 })).answer.answers[0]!.outcome).toBe('accepted')
  })
  it('what was refused has left nothing: no job, no number', async () => {
    const before = (await rack('?status=all')).total
    const { job } = await open({ aircraft: true })
    expect((await get(`/api/jobs/${job}`)).status).toBe(404)
    expect((await rack('?status=all')).total).toBe(before)
  })
})

describe('a bank', () => {
  it('is served with the sheets of every body that is identified, by body', async () => {
    const { job } = await open({ bodies: 4 })
    const answer = await send(
      job,
      entry(job, 'ident.chosen', identified, { body: 1 }),
      entry(
        job,
        'ident.chosen',
        {
          ...identified,
          listNumber: 'K-4417-1',
          specRev: 'K-4417-1/spec/1',
          buildRev: 'K-4417-1/build/1',
        },
        { body: 3 },
      ),
      entry(job, 'reading.taken', reading('13.4', 'in'), { body: 2 }),
      entry(job, 'reading.taken', { ...reading('14.1', 'in'), specRev: 'K-4417-1/spec/1' }, { body: 3 }),
      entry(job, 'note.written', { text: 'rail bent' }, { body: 5 }),
    )
    expect(answer.answers.map((one) => one.outcome)).toEqual([
      'accepted',
      'accepted',
      // Nothing is set before it is identified, and there is no fifth.
      'refused',
      'accepted',
      'refused',
    ])
    const { sheets } = (await get<JobAnswer>(`/api/jobs/${job}`)).body
    expect(Object.entries(sheets).map(([body, own]) => [body, own.spec.listNumber])).toEqual([
      ['1', 'K-4417-2S'],
      ['3', 'K-4417-1'],
    ])
    const row = (await rack('?q=chain windlass')).jobs.find((one) => one.job === job)
    expect(row).toMatchObject({ bodies: 4, body: 3, station: 'set' })
  })
})

describe('two people correct the same identification', () => {
  it('the second is refused, told who put what there, and aims again', async () => {
    const { job } = await open()
    const first = entry(job, 'ident.chosen', identified)
    await send(job, first)
    const other = (listNumber: string) => ({
      ...identified,
      listNumber,
      specRev: `${listNumber}/spec/1`,
      buildRev: `${listNumber}/build/1`,
    })
    const dell = entry(job, 'ident.chosen', other('K-4417-1'), { by: 'O. Dell', corrects: first.id })
    const oda = entry(job, 'ident.chosen', other('K-4477-1'), { by: 'R. Oda', corrects: first.id })
    const answers = (await Promise.all([send(job, dell), send(job, oda)])).map(({ answers }) => answers[0]!)
    const refused = answers.find((one) => one.outcome === 'refused')
    expect(answers.map((one) => one.outcome).sort()).toEqual(['accepted', 'refused'])
    expect(refused).toMatchObject({
      code: 'superseded',
      sentence: expect.stringMatching(
        /(O\. Dell identified it as K-4417-1|R\. Oda identified it as K-4477-1)/,
      ) as string,
    })
    const [winner, loser] = answers[0]!.outcome === 'accepted' ? [dell, oda] : [oda, dell]
    const again = { ...loser, id: randomUUID(), corrects: winner.id }
    expect((await send(job, again)).answers[0]!.outcome).toBe('accepted')
  })
})

describe('the rack', () => {
  it('shows only what is asked for: hands, customer, what waits, what went back', async () => {
    const all = await rack()
    expect(new Set(all.jobs.map((row) => row.status))).toEqual(new Set(['open']))
    for (const row of (await rack('?by=R. Oda')).jobs) expect(row.lastBy).toBe('R. Oda')
    const waits = await rack('?waits=1')
    expect(waits.jobs.map((row) => row.number)).toEqual([1185])
    expect(waits.jobs[0]).toMatchObject({ waitsFor: '31-B, FL-090', arrives: '2026-11-26' })
    const gone = (await rack('?status=all')).jobs.filter((row) => row.status !== 'open')
    expect(gone.map((row) => row.number)).toEqual([1195, 1191, 1187])
  })
  it('names every customer who has one here, whatever else is asked', async () => {
    const everybody = (await rack()).customers
    expect(everybody).toContain('Brake Hill hop kiln')
    expect(everybody).toEqual([...everybody].sort((a, b) => (a < b ? -1 : 1)))
    expect((await rack('?customer=Osk skating rink')).customers).toEqual(everybody)
    // Also where nothing is found.
    const nothing = await rack('?q=zeppelin')
    expect(nothing).toMatchObject({ jobs: [], total: 0, customers: everybody })
  })
  it('counts all that is found, and sends as many as were asked for', async () => {
    const { jobs, total } = await rack('?status=all&limit=5')
    expect(jobs).toHaveLength(5)
    expect(total).toBeGreaterThanOrEqual(15)
    expect(jobs.map((row) => row.promise)).toEqual(jobs.map((row) => row.promise).sort())
  })
})

describe('after the return', () => {
  it('each revision of the sheet is served as it went out', async () => {
    const page = async (letter: string) =>
      (await get<ReturnSheet[]>(`/api/jobs/1195/sheet?revision=${letter}`)).body[0]!
    const [a, b] = [await page('A'), await page('B')]
    expect(a).toMatchObject({ revision: 'A', changes: [] })
    expect(b).toMatchObject({ revision: 'B' })
    expect(b.changes).toHaveLength(1)
    const left = (sheet: ReturnSheet) => sheet.rows.find((row) => row.name === 'Mixture, left')!.asLeft
    expect(left(b)).toBe('1 1/2 turns')
    expect(left(a)).not.toBe('1 1/2 turns')
    expect((await get('/api/jobs/1195/sheet?revision=Z')).status).toBe(404)
  })
})
