import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildApp } from '../server/app.ts'
import { loadDemoIfEmpty } from '../server/cli/demo.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool, type Pool } from '../server/db/pool.ts'
import { openServices } from '../server/services.ts'
import { startPostgres } from '../tools/postgres.mjs'
import { makeLarge, type LargeSize } from './large-shop.ts'

const NOW = '2026-11-24T10:40:00Z'
/** Addresses that every window asks for, and what is asked for with words in it. */
const ASKED = [
  '/api/shop',
  '/api/keeping',
  '/api/jobs?limit=1000',
  '/api/jobs?status=all&limit=1000&q=orchard',
  '/api/jobs/1181',
  '/api/jobs/1181/entries?after=5',
  '/api/jobs/1187/sheets',
  '/api/customers?q=orch',
  '/api/catalogue',
  '/api/list-numbers?q=K-44&limit=500',
  '/api/list-numbers?q=&limit=500',
  '/api/list-numbers/K-4417-2S',
  '/api/list-numbers/K-4417-2S/revisions',
  '/api/relatives?draft=down&barrels=2&bore=31',
  '/api/market',
  '/api/outcomes?listNumber=K-4417-2S',
  '/api/baths',
  '/api/stores/part?q=gasket',
  '/api/stores/part/BA-040',
  '/api/stores/kit/KIT-44',
  '/api/stores/supplier/hollin',
  '/api/shop/history',
]

/**
 * Every query that the server asks, caught while its addresses are asked for, explained with its times on a shop of that size: the
 * slowest first; and each address as a whole. `npm run bench -- queries`.
 */
export async function queryLines(size: LargeSize): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-queries-'))
  const postgres = await startPostgres(folder, { fast: true })
  const pool = openPool(postgres.url, 'long')
  const lines: string[] = []
  try {
    await migrate(pool, join(import.meta.dirname, '../server/db/migrations'))
    const services = openServices(pool, () => new Date(NOW))
    await loadDemoIfEmpty(services, join(import.meta.dirname, '../demo/catalogue'))
    await makeLarge(pool, size)
    const caught = new Map<string, unknown[]>()
    const watched = watch(pool, caught)
    const app = await buildApp({ services: openServices(watched, () => new Date(NOW)) })
    lines.push(`${size.listNumbers} list numbers, ${size.jobs} jobs of ${size.entries} entries`)
    for (const url of ASKED) {
      const times: number[] = []
      let status = 0
      let bytes = 0
      for (let i = 0; i < 3; i++) {
        const begun = performance.now()
        const answer = await app.inject({ url })
        times.push(performance.now() - begun)
        status = answer.statusCode
        bytes = answer.rawPayload.length
      }
      lines.push(
        `${url.padEnd(52)} ${status} ${times.map((one) => one.toFixed(0).padStart(6)).join('')} ms ${(bytes / 1e6).toFixed(2)} MB`,
      )
    }
    await app.close()
    const explained: { ms: number; query: string; whole: string }[] = []
    for (const [query, values] of caught) {
      if (!/^\s*(select|with)/i.test(query)) continue
      const { rows } = await pool.query<{ 'QUERY PLAN': Plan[] }>(
        `explain (analyze, format json) ${query}`,
        values,
      )
      const plan = rows[0]!['QUERY PLAN'][0]!
      explained.push({
        ms: plan['Execution Time'],
        query: query.replace(/\s+/g, ' ').trim().slice(0, 96),
        whole: scans(plan.Plan).join(', '),
      })
    }
    lines.push('', `${explained.length} queries explained, the slowest first:`)
    for (const { ms, query, whole } of explained.sort((a, b) => b.ms - a.ms).slice(0, 16))
      lines.push(`${ms.toFixed(1).padStart(9)} ms  ${query}${whole ? `   [reads all of ${whole}]` : ''}`)
  } finally {
    await pool.end()
    await postgres.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  return lines
}

interface Node {
  'Node Type': string
  'Relation Name'?: string
  'Actual Rows': number
  'Actual Loops': number
  Plans?: Node[]
}
interface Plan {
  'Execution Time': number
  Plan: Node
}

/** Tables of which a plan goes through more than a thousand rows one by one. */
const scans = (node: Node): string[] => [
  ...new Set([
    ...(node['Node Type'] === 'Seq Scan' && node['Actual Rows'] * node['Actual Loops'] > 1000
      ? [node['Relation Name'] ?? '?']
      : []),
    ...(node.Plans ?? []).flatMap(scans),
  ]),
]

/** The same pool, with each query's text and last values noted. */
function watch(pool: Pool, caught: Map<string, unknown[]>): Pool {
  return new Proxy(pool, {
    get(target, name) {
      if (name !== 'query') return Reflect.get(target, name) as unknown
      return (text: string, values?: unknown[]) => {
        caught.set(text, values ?? [])
        return target.query(text, values)
      }
    },
  })
}
