import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { opening } from '../../demo/log-entries.ts'
import { buildApp } from '../app.ts'
import { openShop, type TestShop } from '../test/shop.ts'
import { openLive, type Live } from './events.ts'

let shop: TestShop
let live: Live
let app: TestShop['app']
let address: string
beforeAll(async () => {
  shop = await openShop('live_test', { demo: false })
  live = openLive(shop.url)
  // What is appended before anybody listens is told by no event: a window that was open then is told to fetch anew.
  await new Promise<void>((heard) => live.subscribe((event) => event === 'resync' && heard()))
  app = await buildApp({ services: shop.services, live })
  address = await app.listen({ host: '127.0.0.1', port: 0 })
})
afterAll(async () => {
  await app.close()
  await live.close()
  await shop.close()
})

/** Reads the event stream until `enough` of it has come. */
async function follow(enough: (text: string) => boolean, act: () => Promise<unknown>): Promise<string> {
  const stop = new AbortController()
  const response = await fetch(`${address}/api/events`, { signal: stop.signal })
  const reader = (response.body as ReadableStream<Uint8Array>).getReader()
  let text = ''
  let acted = false
  for (;;) {
    const { value, done } = await reader.read()
    if (done) break
    text += new TextDecoder().decode(value)
    if (!acted) {
      acted = true
      await act()
    }
    if (enough(text)) break
  }
  stop.abort()
  return text
}

const note = (job: string) => ({
  id: randomUUID(),
  job,
  kind: 'note.written',
  v: 1,
  data: { text: 'x' },
  by: 'I. Marrow',
  at: '2026-11-24T10:40:00Z',
})

it('an open window hears of each append by job and seq, never of its contents', async () => {
  const job = randomUUID()
  const text = await follow(
    (so) => so.includes(`"seq":2`),
    async () => {
      await shop.services.appender.append(job, [
        {
          id: randomUUID(),
          job,
          kind: 'job.opened',
          v: 1,
          data: opening,
          by: 'I. Marrow',
          at: '2026-11-24T10:40:00Z',
        },
      ])
      await shop.services.appender.append(job, [note(job)])
    },
  )
  expect(text).toContain(`event: entry\ndata: {"job":"${job}","seq":1}`)
  expect(text).toContain(`event: entry\ndata: {"job":"${job}","seq":2}`)
  expect(text).not.toContain('Osk chain ferry')
})

it('a listening connection that is cut comes back by itself and says resync', async () => {
  const cut = () =>
    shop.pool.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen ekrond' and datname = current_database()`,
    )
  const text = await follow((so) => so.includes('event: resync'), cut)
  expect(text).toContain('event: resync')
  const job = randomUUID()
  const after = await follow(
    (so) => so.includes(job),
    () =>
      shop.services.appender.append(job, [
        {
          id: randomUUID(),
          job,
          kind: 'job.opened',
          v: 1,
          data: opening,
          by: 'I. Marrow',
          at: '2026-11-24T10:40:00Z',
        },
      ]),
  )
  expect(after).toContain(job)
})
