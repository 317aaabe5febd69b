import { randomUUID } from 'node:crypto'
import { connect } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import WebSocket from 'ws'
import { FOREIGN_WORDS, fuzz } from '../../bench/fuzz.ts'
import { identified, opening, reading } from '../../demo/log-entries.ts'
import { callersFrom } from './guard.ts'
import { NOW, openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
let address: string
beforeAll(async () => {
  shop = await openShop('guard')
  address = await shop.app.listen({ host: '127.0.0.1', port: 0 })
})
afterAll(() => shop.close())

const ask = (options: object) => shop.app.inject(options as { url: string })
const problem = (response: { headers: Record<string, unknown>; json<T>(): T }) => {
  expect(String(response.headers['content-type'])).toContain('application/problem+json')
  const { detail } = response.json<{ detail: string }>()
  expect(detail).not.toMatch(FOREIGN_WORDS)
  expect(detail.length).toBeLessThan(400)
  return detail
}

describe('who may talk', () => {
  it('a name that is not ours gets nothing, also where it leads here', async () => {
    for (const host of ['evil.test', 'evil.test:4180', '127.0.0.1.evil.test']) {
      const response = await ask({ url: '/api/jobs', headers: { host } })
      expect(response.statusCode, host).toBe(403)
      problem(response)
    }
    for (const host of ['localhost:4180', '127.0.0.1:4180', '[::1]:4180', 'LOCALHOST'])
      expect((await ask({ url: '/api/jobs', headers: { host } })).statusCode, host).toBe(200)
  })
  it('what changes or takes out comes from our own pages', async () => {
    const job = randomUUID()
    const url = `/api/jobs/${job}/entries`
    for (const headers of [
      { origin: 'http://evil.test' },
      { origin: 'null' },
      { origin: 'http://localhost:9999', host: 'localhost:4180' },
      { 'sec-fetch-site': 'cross-site' },
    ])
      expect((await ask({ method: 'POST', url, headers, payload: { entries: [] } })).statusCode).toBe(403)
    expect(
      (await ask({ url: '/api/export.zip', headers: { 'sec-fetch-site': 'cross-site' } })).statusCode,
    ).toBe(403)
    const own = { origin: 'http://localhost:4180', host: 'localhost:4180' }
    expect((await ask({ method: 'POST', url, headers: own, payload: { entries: [] } })).statusCode).toBe(400)
  })
})

describe('every route from a foreign page', () => {
  const foreign = { origin: 'http://evil.test', 'sec-fetch-site': 'cross-site' }
  /** Ways in which one address can be spelt. */
  const SPELLINGS: [string, (url: string) => string][] = [
    ['as it is', (url) => url],
    ['a letter as its number', (url) => url.replace('/api', '/%61pi')],
    ['every dot and a letter as numbers', (url) => url.replaceAll('.', '%2e').replace('/api', '/ap%69')],
    ['the slash twice', (url) => url.replace('/api', '//api')],
    ['with a question and a point before it', (url) => `/.${url}?x=1`],
    ['in capitals', (url) => url.replace('/api', '/API')],
  ]
  it('is refused or not there, however its address is spelt', async () => {
    expect(shop.app.everyRoute.length).toBeGreaterThan(40)
    for (const { method, url } of shop.app.everyRoute) {
      const filled = url.replace(/:\w+/g, () => '1181').replace('*', 'x')
      for (const [how, spell] of SPELLINGS) {
        const { statusCode } = await ask({ method, url: spell(filled), headers: foreign })
        expect([403, 404], `${method} ${filled}, ${how}: ${statusCode}`).toContain(statusCode)
      }
    }
  })
  it('is refused where only the scheme, the port or the page that led here is another', async () => {
    const host = 'localhost:4180'
    for (const headers of [
      { host, origin: 'https://localhost:4180' },
      { host, origin: 'http://localhost:4181' },
      { host, 'sec-fetch-site': 'same-site' },
      { host, referer: 'http://evil.test/page' },
      { host, referer: 'no address' },
    ])
      expect((await ask({ url: '/api/export.zip', headers })).statusCode, JSON.stringify(headers)).toBe(403)
    const own = { host, referer: 'http://localhost:4180/jobs/1181', 'sec-fetch-site': 'same-origin' }
    expect((await ask({ url: '/api/jobs', headers: own })).statusCode).toBe(200)
  })
  it('a proxy that speaks TLS is named with its address', () => {
    const { names, origins } = callersFrom('bench.shop.test, https://rack.shop.test')
    expect([...names]).toEqual(expect.arrayContaining(['bench.shop.test', 'rack.shop.test', 'localhost']))
    expect([...origins]).toEqual(['https://rack.shop.test'])
  })
  it('hears no instrument, and no instrument hears it', async () => {
    const wire = address.replace('http', 'ws')
    for (const path of ['/api/bench/1', '/%61pi/bench/1', '/api/bench/1?instrument=gauge'])
      await new Promise<void>((done, fail) => {
        const socket = new WebSocket(`${wire}${path}`, { origin: 'http://evil.test' })
        socket.once('open', () => fail(new Error(`${path} was opened`)))
        socket.once('error', () => done())
      })
  })
})

describe('what cannot be read', () => {
  it.each([
    ['a percent sign that means nothing', '/api/jobs/%E0%A4%A'],
    ['a zero character', '/api/customers?q=%00'],
    ['a zero character in the path', '/api/list-numbers/a%00b'],
    ['a number beyond its column', '/api/jobs/99999999999999999999'],
    ['a limit that is none', '/api/jobs?limit=many'],
    ['a status that is none', '/api/jobs?status=lost'],
    ['an uuid of nobody', `/api/jobs/${randomUUID()}`],
    ['an address of nobody', `/api/${'x'.repeat(400)}`],
    ['a revision that is none', '/api/jobs/1195/sheet?revision=%27'],
  ])('%s is said in a sentence', async (_what, url) => {
    const response = await ask({ url })
    expect(response.statusCode).toBeGreaterThanOrEqual(400)
    expect(response.statusCode).toBeLessThan(500)
    problem(response)
  })
  it('a kind of body that nobody asked for', async () => {
    const url = `/api/jobs/${randomUUID()}/entries`
    const response = await ask({
      method: 'POST',
      url,
      headers: { 'content-type': 'text/xml' },
      payload: '<a/>',
    })
    expect(response.statusCode).toBe(415)
    problem(response)
  })
  it('headers beyond all measure, on the wire', async () => {
    const said = await new Promise<string>((resolve) => {
      const socket = connect(Number(new URL(address).port), '127.0.0.1', () =>
        socket.write(`GET / HTTP/1.1\r\nhost: localhost\r\nx: ${'y'.repeat(80_000)}\r\n\r\n`),
      )
      let text = ''
      socket.on('data', (chunk) => (text += String(chunk)))
      socket.on('close', () => resolve(text))
      socket.on('error', () => resolve(text))
    })
    expect(said).toContain('431')
    expect(said).toContain('application/problem+json')
  })
})

describe('what entries cannot be', () => {
  const entry = (job: string, kind: string, data: unknown, more: object = {}) => ({
    id: randomUUID(),
    job,
    kind,
    v: kind === 'job.opened' || kind === 'reading.taken' ? 2 : 1,
    data,
    by: 'I. Marrow',
    at: NOW,
    ...more,
  })
  const send = async (job: string, ...entries: object[]) => {
    const response = await ask({ method: 'POST', url: `/api/jobs/${job}/entries`, payload: { entries } })
    return {
      status: response.statusCode,
      body: response.json<{
        answers?: { outcome: string; code: string; sentence: string }[]
        detail?: string
      }>(),
    }
  }
  const opened = async () => {
    const job = randomUUID()
    await send(job, entry(job, 'job.opened', opening), entry(job, 'ident.chosen', identified))
    return job
  }
  it.each([
    ['a zero character', 'note.written', { text: 'a\u0000b' }],
    ['half a character', 'note.written', { text: 'a\ud800b' }],
    ['nothing', 'note.written', {}],
    ['no object', 'note.written', 7],
    ['turns below none', 'reading.taken', { ...reading('13.4', 'in'), value: -1000 }],
    ['a number beyond all', 'reading.taken', { ...reading('13.4', 'in'), value: 1e308 }],
    ['a value that its text does not read as', 'reading.taken', reading('99', 'in', 14)],
    [
      'a feature called __proto__',
      'feature.seen',
      JSON.parse('{"feature":"__proto__","raw":"x","value":1,"sigma":null}'),
    ],
    ['a part called constructor', 'part.off', { position: 'constructor', tray: 'A' }],
    ['a customer of signs that nobody sees', 'job.opened', { ...opening, customer: '\u200b \u2060' }],
    ['a day of no calendar', 'order.placed', { lines: [], totalMinor: 0, arrives: '2026-02-30' }],
    ['the year 9999', 'order.placed', { lines: [], totalMinor: 0, arrives: '9999-01-01' }],
    ['money beyond its column', 'estimate.made', { amountMinor: 1e12, hourMinor: 0, words: '' }],
  ])('%s is refused in a sentence of ours', async (_what, kind, data) => {
    const job = await opened()
    const { status, body } = await send(job, entry(job, kind, data))
    expect(status).toBe(200)
    expect(body.answers![0]).toMatchObject({ outcome: 'refused' })
    expect(body.answers![0]!.sentence).not.toMatch(FOREIGN_WORDS)
  })
  it.each([
    ['by', { by: 'a\u0000' }],
    ['at', { at: '0001-01-01T00:00:00Z' }],
    ['at', { at: 'yesterday' }],
    ['at', { at: '2026-02-30T10:00:00Z' }],
    ['by', { by: '\u200b\u200b' }],
    ['by', { by: '   ' }],
    ['v', { v: 1e9 }],
    ['body', { body: 99 }],
    ['id', { id: 'none' }],
  ])('an envelope whose %s is wrong turns the request down', async (field, more) => {
    const job = await opened()
    const { status, body } = await send(job, entry(job, 'note.written', { text: 'x' }, more))
    expect(status).toBe(400)
    expect(body.detail).not.toMatch(FOREIGN_WORDS)
    expect((body as { field?: string }).field).toBe(`entries.0.${field}`)
  })
  it('an entry that hangs on one of another job is refused', async () => {
    const [job, other] = [await opened(), await opened()]
    const first = entry(other, 'note.written', { text: 'x' })
    await send(other, first)
    const { body } = await send(job, entry(job, 'note.written', { text: 'y' }, { after: first.id }))
    expect(body.answers![0]).toMatchObject({ outcome: 'refused', code: 'hangs on' })
  })
  it('a gauge of 52 characters is imported, and its readings are taken', async () => {
    const job = await opened()
    const { body } = await send(
      job,
      entry(job, 'reading.taken', { ...reading('13.4', 'in'), gauge: 'c'.repeat(52) }),
    )
    expect(body.answers![0]).toMatchObject({ outcome: 'accepted' })
  })
  it('a page of strikes leaves the others their turns', async () => {
    const job = await opened()
    const notes = Array.from({ length: 90 }, (_, i) => entry(job, 'note.written', { text: `${i}` }))
    await send(job, ...notes)
    let turns = 0
    let done = false
    const count = () => {
      turns++
      if (!done) setImmediate(count)
    }
    setImmediate(count)
    const { body } = await send(
      job,
      ...notes.map(({ id }) => entry(job, 'entry.struck', { why: '' }, { corrects: id })),
    )
    done = true
    expect(body.answers!.every(({ outcome }) => outcome === 'accepted')).toBe(true)
    expect(turns).toBeGreaterThan(3)
  })
  it('an id in capitals is the same id', async () => {
    const job = await opened()
    const note = entry(job, 'note.written', { text: 'x' })
    await send(job, note)
    const again = await send(job.toUpperCase(), {
      ...note,
      id: note.id.toUpperCase(),
      job: job.toUpperCase(),
    })
    expect(again.body.answers![0]).toMatchObject({ outcome: 'already' })
  })
})

describe('requests that no shop would send', () => {
  it('a thousand of them over every route: none fails the server, none is answered in a validator’s words', async () => {
    const result = await fuzz(shop.app, { requests: 1000, seed: 7 })
    expect(result.failures).toEqual([])
    expect(result.foreign).toEqual([])
    expect(result.byStatus[200]).toBeGreaterThan(150)
  }, 180_000)
})
