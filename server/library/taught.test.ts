import type { AppendAnswer, JobAnswer } from '@ekrond/contract/jobs'
import type {
  CatalogueAnswer,
  ListNumberAnswer,
  ListNumberFile,
  ModelAnswer,
  RelativesAnswer,
  RevisionsAnswer,
} from '@ekrond/contract/library'
import type { SpecSheet } from '@ekrond/core/sheets'
import type { Problem } from '@ekrond/contract/problem'
import { opening } from '../../demo/log-entries.ts'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { NOW, openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('taught')
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
  const payload = { entries }
  const response = await shop.app.inject({ method: 'POST', url: `/api/jobs/${job}/entries`, payload })
  return response.json<AppendAnswer & Problem>()
}
const get = async <T>(url: string) => {
  const response = await shop.app.inject({ method: 'GET', url })
  return { status: response.statusCode, body: response.json<T & Problem>() }
}

const taught = {
  family: 'small one-barrel',
  barrels: 1,
  float: 'in the bowl',
  choke: 'plate by hand',
  maker: 'Nobody knows',
  name: 'hop kiln fan',
}
const height = {
  code: 'float.height',
  place: 'none',
  asWritten: '14 ±0.5',
  target: 14,
  lo: 13.5,
  hi: 14.5,
  source: 'kit leaf',
  ground: 'leaf 3',
}
const published = (listNumber: string, revision = 1) => ({
  listNumber,
  specRev: `${listNumber}/spec/${revision}`,
  buildRev: `${listNumber}/build/${revision}`,
  mark: 'HK 7',
  maker: 'Nobody knows',
})

const teach = async () => {
  const job = randomUUID()
  const opened = await send(job, [entry(job, 'job.opened', opening, { body: undefined })])
  const answer = await send(job, [
    entry(job, 'ident.taught', taught),
    entry(job, 'feature.seen', { feature: 'throttleBoreMm', raw: '16.2', value: 16.2, sigma: 0.06 }),
    entry(job, 'own.setting', height),
  ])
  expect(answer.answers.map(({ outcome }) => outcome)).toEqual(['accepted', 'accepted', 'accepted'])
  return { job, number: opened.number! }
}

describe('a unit that the bench teaches', () => {
  it('opens every station by its own entries: a reading is judged by the value that was written', async () => {
    const { job, number } = await teach()
    const reading = {
      code: 'float.height',
      place: 'none',
      raw: '14.2',
      value: 14.2,
      gauge: null,
      sigma: null,
      bracket: null,
      specRev: 'own',
      shown: {
        verdict: 'in',
        pIn: 0.99,
        headline: 'In.',
        meaning: '',
        remedy: null,
        facts: [],
        assumes: [],
        asWritten: '14 ±0.5',
        target: 14,
        lo: 13.5,
        hi: 14.5,
      },
    }
    const strange = entry(job, 'reading.taken', { ...reading, code: 'pump.stem' }, { v: 2 })
    const answer = await send(job, [entry(job, 'reading.taken', reading, { v: 2 }), strange])
    expect(answer.answers).toMatchObject([{ outcome: 'accepted' }, { outcome: 'refused', code: 'setting' }])
    // Its sheets are made from the log wherever it is read: they do not travel.
    expect((await get<JobAnswer>(`/api/jobs/${number}`)).body.sheets).toEqual({})
  })

  it('goes into the library in one transaction, is found there, and lends its values to relatives', async () => {
    const { job } = await teach()
    const answer = await send(job, [entry(job, 'own.published', published('HK-7'))])
    expect(answer.answers).toMatchObject([{ outcome: 'accepted' }])
    const { body } = await get<ListNumberAnswer>('/api/list-numbers/HK-7')
    expect(body.maker).toBe('Nobody knows')
    expect(body.sheets.spec.settings.find(({ code }) => code === 'float.height')).toMatchObject({
      target: 14,
      source: 'kit leaf',
    })
    expect(body.sheets.spec.taught!.pencil).toContain('float.arm')
    // Beside its model's others it says whose it is.
    const { variants } = (await get<ModelAnswer>(`/api/models/${body.model}`)).body
    expect(variants.find(({ listNumber }) => listNumber === 'HK-7')!.ours).toBe(true)
    const { candidates } = (await get<CatalogueAnswer>('/api/catalogue')).body
    expect(candidates.find(({ id }) => id === 'HK-7')).toMatchObject({
      mark: 'HK 7',
      features: { draft: 'side', barrels: 1, throttleBoreMm: 16.2 },
    })
    const near = (await get<RelativesAnswer>('/api/relatives?draft=side&barrels=1&bore=17')).body
    expect(near.settings['float.height/none']).toContainEqual({ listNumber: 'HK-7', value: 14, weight: 1 })
    const far = (await get<RelativesAnswer>('/api/relatives?draft=side&barrels=1&bore=19')).body
    expect(far.listNumbers).not.toContain('HK-7')
  })

  it('takes no number that is another unit’s, and none that moved on', async () => {
    const { job } = await teach()
    const taken = await send(job, [entry(job, 'own.published', published('K-4417-2S'))])
    expect(taken.answers[0]).toMatchObject({
      outcome: 'refused',
      sentence: expect.stringMatching(/has a K-4417-2S already/) as string,
    })
    const late = await send(job, [entry(job, 'own.published', published('HK-8', 2))])
    expect(late.answers[0]).toMatchObject({ outcome: 'refused', code: 'revision' })
    expect((await get('/api/list-numbers/HK-8')).status).toBe(404)
  })

  it('two benches that teach one number at once: one has it, the other is told', async () => {
    const [one, two] = await Promise.all([teach(), teach()])
    const answers = await Promise.all(
      [one, two].map(({ job }) => send(job, [entry(job, 'own.published', published('HK-9'))])),
    )
    expect(answers.map(({ answers: [first] }) => first!.outcome).sort()).toEqual(['accepted', 'refused'])
  })

  it('a second revision follows from what was taught since; the first stays, and is not taken back', async () => {
    const { job } = await teach()
    const first = entry(job, 'own.published', published('HK-10'))
    await send(job, [first])
    await send(job, [
      entry(job, 'own.setting', { ...height, asWritten: '15 ±0.5', target: 15, lo: 14.5, hi: 15.5 }),
    ])
    const again = await send(job, [entry(job, 'own.published', published('HK-10', 2))])
    expect(again.answers).toMatchObject([{ outcome: 'accepted' }])
    const { body } = await get<ListNumberAnswer>('/api/list-numbers/HK-10')
    expect(body.sheets.specRev).toBe('HK-10/spec/2')
    const strike = entry(job, 'entry.struck', { why: '' }, { corrects: first.id, body: undefined })
    expect((await send(job, [strike])).answers[0]).toMatchObject({ outcome: 'refused', code: 'published' })
  })

  it('travels as a file to another shop, where it is what it was; one that is there stays as it is', async () => {
    const { job } = await teach()
    await send(job, [entry(job, 'own.published', published('HK-11'))])
    const file = (await get<ListNumberFile>('/api/list-numbers/HK-11/file')).body
    const take = async (other: TestShop, sent: unknown) => {
      const payload = { by: 'T. Hale', file: sent }
      const response = await other.app.inject({ method: 'POST', url: '/api/list-numbers', payload })
      return { status: response.statusCode, body: response.json<{ listNumber: string } & Problem>() }
    }
    expect(await take(shop, file)).toMatchObject({
      status: 409,
      body: { detail: expect.stringMatching(/has a HK-11 already; it is not changed/) as string },
    })
    const elsewhere = await openShop('elsewhere')
    expect((await take(elsewhere, file)).body.listNumber).toBe('HK-11')
    const there = await elsewhere.app.inject({ method: 'GET', url: '/api/list-numbers/HK-11/file' })
    expect(there.json()).toEqual(file)
    expect((await take(elsewhere, { ...file, listNumber: 'HK-12' })).body.detail).toBe(
      'Its sheets are not HK-12’s.',
    )
    expect((await take(elsewhere, { ...file, spec: { ...file.spec, settings: 7 } })).status).toBe(400)
    await elsewhere.close()
  })
})

describe('how common a list number is', () => {
  it('each one that went back by it counts one more; one that was corrected to another number counts there', async () => {
    const weightOf = async (id: string) =>
      (await get<CatalogueAnswer>('/api/catalogue')).body.candidates.find((one) => one.id === id)!.weight
    const [before, other] = [await weightOf('K-4417-1'), await weightOf('K-4477-1')]
    const { job } = await teach()
    const went = (listNumber: string) =>
      shop.pool.query(`update job set status = 'returned', list_number = $2 where job = $1`, [
        job,
        listNumber,
      ])
    await went('K-4417-1')
    expect(await weightOf('K-4417-1')).toBe(before + 1)
    await went('K-4477-1')
    expect([await weightOf('K-4417-1'), await weightOf('K-4477-1')]).toEqual([before, other + 1])
  })
})

describe('a line that was only lent, measured on another unit of the number', () => {
  const put = async (payload: object) => {
    const response = await shop.app.inject({
      method: 'POST',
      url: '/api/list-numbers/HK-20/measured',
      payload: {
        by: 'T. Hale',
        why: 'pin to toe measured on job 1204',
        fact: 'float.arm',
        raw: '38.2',
        ...payload,
      },
    })
    return { status: response.statusCode, body: response.json<{ specRev: string } & Problem>() }
  }
  beforeAll(async () => {
    const { job } = await teach()
    await send(job, [entry(job, 'own.published', published('HK-20'))])
  })

  it('is ink in the next revision, with who and on which unit; two who measure at once are told', async () => {
    const rev = 'HK-20/spec/1'
    const answers = await Promise.all([put({ rev }), put({ rev, fact: 'seat.bore', raw: '#44' })])
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
    expect(answers.find(({ status }) => status === 409)!.body.detail).toMatch(/made HK-20\/spec\/2 meanwhile/)
    const { sheets } = (await get<ListNumberAnswer>('/api/list-numbers/HK-20')).body
    expect(sheets.specRev).toBe('HK-20/spec/2')
    const now = sheets.spec.taught!.pencil
    expect(now.includes('float.arm')).not.toBe(now.includes('seat.bore'))
    const { revisions } = (await get<RevisionsAnswer>('/api/list-numbers/HK-20/revisions')).body
    expect(revisions.find(({ revision }) => revision === sheets.specRev)).toMatchObject({
      by: 'T. Hale',
      why: 'pin to toe measured on job 1204',
    })
  })
  it.each([
    ['what cannot be', { fact: 'float.mass', raw: '900' }, 'raw', /cannot be/],
    ['what is no fact of it', { fact: 'pump.stroke', raw: '4' }, 'fact', /Only what the bench taught/],
    ['nothing typed', { fact: 'float.mass', raw: ' ' }, 'raw', /Type what the gauge shows/],
    ['no unit named', { fact: 'float.mass', raw: '8.4', why: '' }, 'why', /which unit it was measured on/],
  ])('refuses %s', async (_, more, field, sentence) => {
    const { specRev } = (await get<ListNumberAnswer>('/api/list-numbers/HK-20')).body.sheets
    const answer = await put({ rev: specRev, ...more })
    expect(answer.status).toBe(400)
    expect(answer.body.detail).toMatch(sentence)
    expect(JSON.stringify(answer.body)).toContain(field)
  })
})

describe('a taught number that others went on with', () => {
  it('keeps what they measured and put right when its own job puts it in again', async () => {
    const { job } = await teach()
    await send(job, [entry(job, 'own.published', published('HK-21'))])
    const post = (what: string, payload: object) =>
      shop.app.inject({ method: 'POST', url: `/api/list-numbers/HK-21/${what}`, payload })
    const measured = await post('measured', {
      by: 'T. Hale',
      why: 'scale, on job 1204',
      fact: 'float.mass',
      raw: '8.4',
      rev: 'HK-21/spec/1',
    })
    expect(measured.statusCode).toBe(200)
    await send(job, [
      entry(job, 'own.dimension', { fact: 'seat.bore', raw: '2.2', value: 2.2, sigma: 0.02, gauge: null }),
    ])
    // By the revision that it knows it is told; by the library's newest it goes in.
    const late = await send(job, [entry(job, 'own.published', published('HK-21', 2))])
    expect(late.answers[0]).toMatchObject({ outcome: 'refused', code: 'revision' })
    const next = { ...published('HK-21', 3), buildRev: 'HK-21/build/2' }
    expect((await send(job, [entry(job, 'own.published', next)])).answers).toMatchObject([
      { outcome: 'accepted' },
    ])
    const { spec } = (await get<ListNumberAnswer>('/api/list-numbers/HK-21')).body.sheets
    expect(spec.float).toMatchObject({ floatMass: 8.4, seatBore: 2.2 })
    expect(spec.taught!.pencil).not.toContain('float.mass')
    expect(spec.taught!.pencil).not.toContain('seat.bore')
  })
})

describe('a value put right in the library', () => {
  const correction = {
    by: 'T. Hale',
    why: 'misprint in the leaf',
    setting: 'float.height/none',
    asWritten: '13.9 ±0.4',
    target: 13.9,
    lo: 13.5,
    hi: 14.3,
    source: 'factory sheet',
  }
  const put = async (rev: string, more: object = {}) => {
    const response = await shop.app.inject({
      method: 'POST',
      url: '/api/list-numbers/K-4417-1/corrections',
      payload: { ...correction, rev, ...more },
    })
    return { status: response.statusCode, body: response.json<{ specRev: string } & Problem>() }
  }

  it('is a new revision with who and why; the one before stays, and two who correct at once are told', async () => {
    const before = (await get<ListNumberAnswer>('/api/list-numbers/K-4417-1')).body.sheets
    const answer = await put(before.specRev)
    expect(answer.status).toBe(200)
    const now = (await get<ListNumberAnswer>('/api/list-numbers/K-4417-1')).body.sheets
    expect(now.specRev).toBe(answer.body.specRev)
    expect(now.spec.settings.find(({ code }) => code === 'float.height')).toMatchObject({
      target: 13.9,
      lo: 13.5,
    })
    const old = await get<{ spec: SpecSheet }>(
      `/api/sheets?spec=${encodeURIComponent(before.specRev)}&build=${encodeURIComponent(before.buildRev)}`,
    )
    expect(old.body.spec).toEqual(before.spec)
    const { revisions } = (await get<RevisionsAnswer>('/api/list-numbers/K-4417-1/revisions')).body
    expect(revisions.find(({ revision }) => revision === now.specRev)).toMatchObject({
      by: 'T. Hale',
      why: 'misprint in the leaf',
    })
    expect(await put(before.specRev)).toMatchObject({
      status: 409,
      body: {
        detail: expect.stringMatching(
          /^T\. Hale made K-4417-1\/spec\/\d+ meanwhile: there it is 13\.9/,
        ) as string,
      },
    })
  })

  it.each([
    ['a value outside its own band', { target: 15 }, /outside its own limits/],
    ['no reason', { why: ' ' }, /Give the reason/],
    ['a setting that it has not', { setting: 'pump.hole/9' }, /has no setting/],
  ])('refuses %s', async (_, more, sentence) => {
    const { specRev } = (await get<ListNumberAnswer>('/api/list-numbers/K-4417-1')).body.sheets
    const answer = await put(specRev, more)
    expect(answer.status).toBe(400)
    expect(answer.body.detail).toMatch(sentence)
  })
})
