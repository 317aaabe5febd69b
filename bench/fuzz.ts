import { kindList } from '@ekrond/core/log'
import type { FastifyInstance } from 'fastify'
import { randomUUID } from 'node:crypto'
import { seeded } from '../demo/list-numbers.ts'

/** Words that only a validator, a database or a framework would say to a person. */
export const FOREIGN_WORDS =
  /Invalid|Expected|received|undefined|\bnull\b|NaN|JSON at position|syntax error|violates|relation "|FST_|Unexpected token|Request body|Route /

const NASTY: unknown[] = [
  ...[
    '',
    ' ',
    'a\u0000b',
    'a\ud800',
    '__proto__',
    '../../etc/passwd',
    "'; drop table job; --",
    '%',
    '\\',
    '<b>',
  ],
  ...['x'.repeat(3000), '🝊', '0x10', '-1', '1e309', '2026-02-30', '0001-01-01', '9999-12-31', 'null', 'NaN'],
  ...[0, -1, 1.5, 1e15, -1e15, 1e308, Number.MAX_SAFE_INTEGER, 2147483648],
  ...[null, true, false, [], {}, [[]], { a: { b: { c: {} } } }, [null], { length: -1 }],
]

type Random = ReturnType<typeof seeded>

export interface FuzzResult {
  requests: number
  byStatus: Record<number, number>
  /** answers of 500 and above, but for 503 */
  failures: string[]
  /** answers that speak a validator's language */
  foreign: string[]
}

/** Requests made by the API's own description over every route, on jobs that exist, with values that no shop would send. */
export async function fuzz(
  app: FastifyInstance,
  { requests, seed }: { requests: number; seed: number },
): Promise<FuzzResult> {
  const random = seeded(seed)
  const { paths } = (await app.inject({ url: '/api/openapi.json' })).json<{
    paths: Record<string, Record<string, unknown>>
  }>()
  const routes = [
    ...Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => ({ path, method: method.toUpperCase() })),
    ),
    { path: '/api/export.zip', method: 'HEAD' },
    { path: '/', method: 'GET' },
  ]
  const { jobs } = (await app.inject({ url: '/api/jobs?status=all&limit=500' })).json<{
    jobs: { job: string; number: number }[]
  }>()
  const logs = await Promise.all(
    jobs.map(
      async ({ number }) =>
        (await app.inject({ url: `/api/jobs/${number}` })).json<{ entries: Record<string, unknown>[] }>()
          .entries,
    ),
  )
  const result: FuzzResult = { requests: 0, byStatus: {}, failures: [], foreign: [] }
  for (; result.requests < requests; result.requests++) {
    const route =
      random.next() < 0.6 ? { path: '/api/jobs/{job}/entries', method: 'POST' } : random.pick(routes)
    const at = Math.floor(random.next() * jobs.length)
    const url = addressOf(route.path, random, jobs[at]!)
    const payload = route.method === 'POST' ? bodyOf(route.path, random, jobs[at]!.job, logs[at]!) : undefined
    let response
    try {
      response = await app.inject({
        method: route.method as 'GET',
        url,
        ...(payload === undefined
          ? {}
          : { payload: JSON.stringify(payload), headers: { 'content-type': 'application/json' } }),
      })
    } catch (error) {
      result.failures.push(`${route.method} ${url.slice(0, 120)}: ${(error as Error).message}`)
      continue
    }
    const { statusCode } = response
    result.byStatus[statusCode] = (result.byStatus[statusCode] ?? 0) + 1
    const told = `${route.method} ${url.slice(0, 120)} ${JSON.stringify(payload)?.slice(0, 600) ?? ''}: ${response.body.slice(0, 300)}`
    if (statusCode >= 500 && statusCode !== 503) result.failures.push(told)
    const said = sentencesOf(response.headers['content-type'], response.body)
    if (said.some((sentence) => FOREIGN_WORDS.test(sentence.replace(/“[^”]*”/g, ''))))
      result.foreign.push(told)
  }
  return result
}

function addressOf(path: string, random: Random, job: { job: string; number: number }): string {
  const filled = path.replace(/\{(\w+)\}|:(\w+)/g, () => {
    const choice = random.next()
    if (choice < 0.5) return random.next() < 0.5 ? job.job : String(job.number)
    if (choice < 0.6) return 'K-4417-2S'
    return encodeURIComponent(textOf(random)).slice(0, 400)
  })
  if (random.next() < 0.5) return filled
  const name = random.pick(['q', 'limit', 'status', 'after', 'revision', 'by', 'waits', 'spec', 'build', 'x'])
  return `${filled}?${name}=${encodeURIComponent(textOf(random)).slice(0, 400)}`
}

const textOf = (random: Random): string => {
  const value = random.pick(NASTY)
  return (typeof value === 'string' ? value : JSON.stringify(value)).replace(/[\ud800-\udfff]/g, '')
}

function bodyOf(path: string, random: Random, job: string, log: Record<string, unknown>[]): unknown {
  if (!path.endsWith('/entries'))
    return random.next() < 0.5
      ? random.pick(NASTY)
      : { files: { [textOf(random).slice(0, 40)]: textOf(random) }, take: random.pick([true, false, 'yes']) }
  if (random.next() < 0.05) return random.pick(NASTY)
  const count = 1 + Math.floor(random.next() * 3)
  return {
    entries: Array.from({ length: count }, () => {
      const known = random.pick(log)
      const entry: Record<string, unknown> = {
        id: random.next() < 0.1 ? known.id : randomUUID(),
        job,
        kind: random.next() < 0.7 ? known.kind : random.pick(kindList).kind,
        v: known.v,
        body: known.body ?? 1,
        data: structuredClone(known.data),
        by: 'I. Marrow',
        at: '2026-11-24T10:40:00.000Z',
        ...(random.next() < 0.15 ? { corrects: random.pick(log).id } : {}),
      }
      spoil(entry, random)
      return entry
    }),
  }
}

/** One to three places of a value, at any depth, replaced by something that does not belong there, or taken away. */
function spoil(value: Record<string, unknown>, random: Random): void {
  for (let n = 0; n < 1 + random.next() * 2; n++) {
    let at: Record<string, unknown> = value
    for (let depth = 0; depth < 5; depth++) {
      const keys = Object.keys(at)
      if (keys.length === 0) break
      const key = random.pick(keys)
      const inner = at[key]
      if (typeof inner === 'object' && inner !== null && random.next() < 0.75) {
        at = inner as Record<string, unknown>
        continue
      }
      if (random.next() < 0.15) delete at[key]
      else at[key] = structuredClone(random.pick(NASTY))
      break
    }
  }
}

/** What of an answer is said to a person. */
function sentencesOf(type: unknown, body: string): string[] {
  if (!String(type).includes('json')) return []
  try {
    const read = JSON.parse(body) as {
      detail?: string
      answers?: { sentence?: string }[]
      errors?: { sentence: string }[]
    }
    return [
      read.detail,
      ...(Array.isArray(read.answers) ? read.answers.map((one) => one.sentence) : []),
      ...(Array.isArray(read.errors) ? read.errors.map((one) => one.sentence) : []),
    ].filter((sentence) => sentence !== undefined)
  } catch {
    return [`the answer is no JSON: ${body.slice(0, 100)}`]
  }
}
