import websocket from '@fastify/websocket'
import { MOST_LINE } from '@ekrond/core/measure/instruments'
import type { FastifyInstance } from 'fastify'
import * as v from 'valibot'

/** Instruments that one bench may have, and lines a second that one of them may send; what is more is dropped. */
const MOST_INSTRUMENTS = 24
const MOST_LINES_A_SECOND = 120

interface Socket {
  send(text: string): void
  close(code?: number, reason?: string): void
  on(event: 'message', listener: (data: { toString(): string }) => void): void
  on(event: 'close', listener: () => void): void
}

interface Bench {
  instruments: Map<string, Socket>
  pages: Set<Socket>
}

/**
 * One WebSocket a bench (docs/formats.md). An instrument names itself (`?instrument=gauge 3`) and sends lines, `37.8 kPa`; each page of
 * the bench hears `gauge 3⇥37.8 kPa`, an empty line when it goes. What a page sends as `gauge 3⇥zero` goes to that instrument. It keeps
 * nothing: what counts is entered into the job's log by whoever reads it.
 */
export async function benchRoutes(app: FastifyInstance): Promise<void> {
  const benches = new Map<string, Bench>()
  const benchOf = (name: string): Bench => {
    const known = benches.get(name)
    if (known) return known
    const made: Bench = { instruments: new Map(), pages: new Set() }
    benches.set(name, made)
    return made
  }
  await app.register(websocket, {
    options: { maxPayload: 1024 },
    // A server that ends waits for nobody's goodbye.
    preClose: (done) => {
      for (const client of app.websocketServer.clients) client.terminate()
      app.websocketServer.close(() => done())
    },
  })
  // One that was refused is no websocket and no request any more: nobody else would let go of its connection.
  app.addHook('onResponse', (request, reply, done) => {
    if (request.headers.upgrade && reply.statusCode >= 400) request.raw.socket.destroy()
    done()
  })
  app.get(
    '/api/bench/:bench',
    {
      websocket: true,
      schema: {
        hide: true,
        params: v.object({ bench: v.pipe(v.string(), v.maxLength(20)) }),
        querystring: v.object({ instrument: v.optional(v.pipe(v.string(), v.maxLength(40))) }),
      },
    },
    (socket: Socket, request) => {
      const { bench: number } = request.params as { bench: string }
      const name = clean((request.query as { instrument?: string }).instrument ?? '')
      const bench = benchOf(number)
      if (name) instrument(bench, name, socket)
      else page(bench, socket)
    },
  )
}

/** A name or a line on one line, without the sign that parts them. */
const clean = (text: string): string =>
  // oxlint-disable-next-line no-control-regex -- control signs are what is taken out
  text.replace(/[\u0000-\u001f\u007f]+/g, ' ').trim()

function instrument(bench: Bench, name: string, socket: Socket): void {
  if (bench.instruments.has(name) || bench.instruments.size >= MOST_INSTRUMENTS)
    return socket.close(1008, bench.instruments.has(name) ? 'there is one of this name' : 'the bench is full')
  bench.instruments.set(name, socket)
  const tell = (line: string) => bench.pages.forEach((one) => one.send(`${name}\t${line}`))
  let second = 0
  let lines = 0
  socket.on('message', (data) => {
    const now = Math.floor(Date.now() / 1000)
    if (now !== second) [second, lines] = [now, 0]
    if (++lines > MOST_LINES_A_SECOND) return
    const line = clean(data.toString()).slice(0, MOST_LINE)
    if (line) tell(line)
  })
  socket.on('close', () => {
    bench.instruments.delete(name)
    tell('')
  })
}

function page(bench: Bench, socket: Socket): void {
  bench.pages.add(socket)
  socket.on('message', (data) => {
    const [name = '', ...rest] = data.toString().split('\t')
    const line = clean(rest.join(' ')).slice(0, MOST_LINE)
    if (line) bench.instruments.get(name)?.send(line)
  })
  socket.on('close', () => bench.pages.delete(socket))
}
