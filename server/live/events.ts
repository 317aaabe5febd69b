import pg from 'pg'
import { PassThrough } from 'node:stream'
import type { FastifyInstance } from 'fastify'
import { SHOP_IS_OPEN } from '../db/presence.ts'

const KEEP_ALIVE_MS = 15_000
const MOST_BACK_OFF_MS = 5_000

export interface Live {
  subscribe(send: (event: string, data: string) => void): () => void
  close(): Promise<void>
}

/** One listening connection a process; each append's `{job, seq}` goes to every open window, 'resync' after a gap. */
export function openLive(url: string): Live {
  const listeners = new Set<(event: string, data: string) => void>()
  let client: pg.Client | undefined
  let closed = false
  let waitMs = 100
  const tell = (event: string, data: string) => listeners.forEach((send) => send(event, data))

  const connect = async () => {
    if (closed) return
    const next = new pg.Client({ connectionString: url })
    next.on('error', () => void again(next))
    next.on('end', () => void again(next))
    next.on('notification', (message) => tell('entry', message.payload ?? '{}'))
    try {
      await next.connect()
      // Whoever empties or restores a shop must not do it under a server that is open on it.
      await next.query('select pg_advisory_lock_shared($1)', [SHOP_IS_OPEN])
      await next.query('listen ekrond')
      client = next
      waitMs = 100
      tell('resync', '{}')
    } catch {
      again(next)
    }
  }
  const retired = new WeakSet<pg.Client>()
  const again = (lost: pg.Client) => {
    if (closed || retired.has(lost)) return
    retired.add(lost)
    lost.end().catch(() => undefined)
    setTimeout(() => void connect(), waitMs).unref()
    waitMs = Math.min(waitMs * 2, MOST_BACK_OFF_MS)
  }
  void connect()

  return {
    subscribe(send) {
      listeners.add(send)
      return () => listeners.delete(send)
    },
    async close() {
      closed = true
      await client?.end().catch(() => undefined)
    },
  }
}

export function liveRoutes(app: FastifyInstance, live: Live, version = ''): void {
  const open = new Set<PassThrough>()
  app.get('/api/events', { schema: { hide: true } }, (request, reply) => {
    const stream = new PassThrough()
    const unsubscribe = live.subscribe(
      (event, data) => void stream.write(`event: ${event}\ndata: ${data}\n\n`),
    )
    const keepAlive = setInterval(() => void stream.write(': still here\n\n'), KEEP_ALIVE_MS)
    open.add(stream)
    stream.write('retry: 1000\n\n')
    if (version) stream.write(`event: version\ndata: ${version}\n\n`)
    request.raw.on('close', () => {
      clearInterval(keepAlive)
      unsubscribe()
      open.delete(stream)
      stream.end()
    })
    return reply
      .type('text/event-stream')
      .header('cache-control', 'no-store')
      .header('x-accel-buffering', 'no')
      .send(stream)
  })
  app.addHook('preClose', (done) => {
    for (const stream of open) stream.end()
    done()
  })
}
