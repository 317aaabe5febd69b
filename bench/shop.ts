import { ensureBuild } from '../tools/build.mjs'
import { openThreads } from '../server/threads.ts'
import { claimsOf } from '@ekrond/core/claims'
import { returnSheets } from '@ekrond/core/bench/return-sheet'
import { fold, growTo, type Entry } from '@ekrond/core/log'
import { summarise, type JobSummary } from '@ekrond/core/bench/stations'
import { settingKey } from '@ekrond/core/sheets'
import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { get } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ferrySheets, finding, identified, opening, placed, reading, unsent } from '../demo/log-entries.ts'
import { seeded } from '../demo/list-numbers.ts'
import { buildApp } from '../server/app.ts'
import { loadDemoIfEmpty } from '../server/cli/demo.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool, type Pool } from '../server/db/pool.ts'
import { selectEntries, selectJobs } from '../server/jobs/jobs.sql.ts'
import { openServices } from '../server/services.ts'
import { freePort, startPostgres } from '../tools/postgres.mjs'

const NOW = '2026-11-24T10:40:00Z'
const root = join(import.meta.dirname, '..')
const sheets = ferrySheets()
const all = { 1: sheets }

export interface Size {
  jobs: number
  entries: number
  windows: number
}

/**
 * A shop of many jobs with long logs in a PostgreSQL of its own: the rack, a long job cold, one append, many windows; each beside
 * the naive way on the same data in the same run.
 */
export async function shopBench({ jobs, entries, windows }: Size): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-bench-'))
  const postgres = await startPostgres(folder, { fast: true })
  const pool = openPool(postgres.url)
  const lines: string[] = []
  const say = (what: string, figures: string) => lines.push(`${what.padEnd(58)} ${figures}`)
  try {
    await migrate(pool, join(root, 'server/db/migrations'))
    await loadDemoIfEmpty(
      openServices(pool, () => new Date(NOW)),
      join(root, 'demo/catalogue'),
    )
    const began = performance.now()
    await fillJobs(pool, jobs, entries)
    const long = await fillLong(pool, 2000)
    await pool.query('vacuum analyze entry, job')
    const { rows } = await pool.query<{ n: number }>('select count(*) as n from entry')
    say(
      'in the database',
      `${jobs + 16} jobs, ${rows[0]!.n} entries (made in ${Math.round((performance.now() - began) / 1000)} s)`,
    )

    await rack(pool, say)
    await cold(pool, long, say)
    await papers(say)
    await append(pool, say)
    await follow(postgres.url, windows, say)
  } finally {
    await pool.end()
    await postgres.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  return lines
}

type Say = (what: string, figures: string) => void

const middle = (times: number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!
async function timed(runs: number, work: (i: number) => Promise<unknown>): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < runs; i++) {
    const began = performance.now()
    await work(i)
    times.push(performance.now() - began)
  }
  return middle(times)
}
const ms = (time: number) => `${time.toFixed(time < 10 ? 2 : 1)} ms`
const beside = (ours: number, limit: number, rival: string, other: number) =>
  `${ms(ours)} (limit ${limit}); ${rival} ${ms(other)}: ${(other / ours).toFixed(1)} ×`

/** The rack's read, and one query a job on it with its log folded. */
async function rack(pool: Pool, say: Say): Promise<void> {
  const filter = { q: '', status: 'open', by: '', customer: '', waits: false, limit: 200 }
  const ours = await timed(60, () => selectJobs(pool, filter, '2026-11-24'))
  const { total } = await selectJobs(pool, filter, '2026-11-24')
  const naive = await timed(3, async () => {
    const { rows } = await pool.query<{ job: string }>(
      "select job from job where status = 'open' order by promise, number limit 200",
    )
    for (const { job } of rows) summarise(fold(job, await selectEntries(pool, job)), all)
  })
  say(`the rack, 200 of ${total} open jobs, one query`, beside(ours, 20, 'a query a job', naive))
  const found = await timed(30, (i) =>
    selectJobs(pool, { ...filter, status: 'all', q: `orchard ${i % 10}` }, '2026-11-24'),
  )
  say('the rack searched by a fragment, all jobs', ms(found))
}

/** A long job with nothing in any cache. */
async function cold(pool: Pool, job: string, say: Say): Promise<void> {
  const services = openServices(pool, () => new Date(NOW))
  const app = await buildApp({ services })
  const opens = await timed(15, async () => {
    services.cache.forget()
    const answer = await app.inject({ method: 'GET', url: `/api/jobs/${job}` })
    if (answer.statusCode !== 200) throw new Error(answer.body)
  })
  await app.close()
  const log = await selectEntries(pool, job)
  const folds = await timed(15, () => Promise.resolve(fold(job, log)))
  say(`a job of ${log.length} entries opened with a cold cache`, `${ms(opens)} (limit 100)`)
  say('folded', `${ms(folds)} (limit 20)`)
  const window = fold(job, log.slice(0, -1))
  const grown = await timed(200, () => Promise.resolve(growTo(window, log)))
  const one = fold(job, log)
  const four = {
    ...one,
    bodies: { 1: one.bodies[1]!, 2: one.bodies[1]!, 3: one.bodies[1]!, 4: one.bodies[1]! },
  }
  const claims = await timed(30, () =>
    Promise.resolve([1, 2, 3, 4].map((body) => claimsOf({ ...four }, sheets, body))),
  )
  say(`claims of four bodies with ${log.length} entries each`, `${ms(claims)} (limit 5)`)
  say('one entry more in a window', beside(grown, 1, 'folded anew', folds))
}

/** A window's log that grows by one, and a sheet's paper by a thread that stays, beside its first one. */
async function papers(say: Say): Promise<void> {
  await ensureBuild()
  const threads = openThreads(join(root, 'build/heavy-thread.mjs'))
  const log = logOf(3, 300)
  const pages = returnSheets(fold(log[0]!.job, log), all, 1184)
  const head = { shop: 'Lantern Weir', date: '2026-11-24' }
  const first = await timed(1, () => threads.heavy.renderSheet(pages, head))
  const second = await timed(9, () => threads.heavy.renderSheet(pages, head))
  await threads.close()
  say(
    'a return sheet as PDF, by a thread that stays',
    `${ms(second)}; the first one ${ms(first)}: ${(first / second).toFixed(1)} × (wants 5)`,
  )
}

/** One entry more, and the same with everything read and folded at each. */
async function append(pool: Pool, say: Say): Promise<void> {
  const { rows } = await pool.query<{ job: string }>(
    "select job from job where status = 'open' order by number desc limit 60",
  )
  const note = (job: string) => ({
    id: randomUUID(),
    job,
    kind: 'note.written',
    v: 1,
    data: { text: 'bowl full of rust' },
    by: 'I. Marrow',
    at: NOW,
  })
  const services = openServices(pool, () => new Date(NOW))
  const warm = rows.slice(0, 20)
  for (const { job } of warm) await services.appender.append(job, [note(job)])
  const ours = await timed(200, (i) => services.appender.append(warm[i % 20]!.job, [note(warm[i % 20]!.job)]))
  const naive = await timed(60, (i) => {
    services.cache.forget()
    return services.appender.append(rows[i % rows.length]!.job, [note(rows[i % rows.length]!.job)])
  })
  say('one entry appended', beside(ours, 10, 'all rows folded each time', naive))
}

/** Windows that follow one shop: each hears every append and asks for it, and for the rack when it has been quiet a while. */
async function follow(url: string, windows: number, say: Say): Promise<void> {
  const port = await freePort()
  const server = spawn(process.execPath, ['build/server.mjs'], {
    cwd: root,
    env: {
      ...process.env,
      EKROND_DATABASE_URL: url,
      EKROND_PORT: String(port),
      EKROND_ROOT: root,
      EKROND_NOW: NOW,
      EKROND_DEMO: 'off',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((resolve, reject) => {
    server.stdout.on('data', (chunk: Buffer) => String(chunk).includes('listening') && resolve())
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
  const base = `http://127.0.0.1:${port}`
  const seconds = 10
  const perSecond = 4
  const heardAfter: number[] = []
  const sentAt = new Map<number, number>()
  const open = Array.from({ length: windows }, () =>
    openWindow(base, (seq) => {
      const sent = sentAt.get(seq)
      if (sent) heardAfter.push(performance.now() - sent)
    }),
  )
  await new Promise((resolve) => setTimeout(resolve, 500))
  const { jobs } = (await (await fetch(`${base}/api/jobs?limit=1`)).json()) as { jobs: { job: string }[] }
  const job = jobs[0]!.job
  const cpuBefore = cpuSeconds(server)
  const began = performance.now()
  for (let i = 0; i < seconds * perSecond; i++) {
    const at = performance.now()
    const response = await fetch(`${base}/api/jobs/${job}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        entries: [
          {
            id: randomUUID(),
            job,
            kind: 'note.written',
            v: 1,
            data: { text: `${i}` },
            by: 'I. Marrow',
            at: NOW,
          },
        ],
      }),
    })
    const { seq } = (await response.json()) as { seq: number }
    sentAt.set(seq, at)
    await new Promise((resolve) => setTimeout(resolve, 1000 / perSecond - (performance.now() - at)))
  }
  const wall = (performance.now() - began) / 1000
  const cores = (cpuSeconds(server) - cpuBefore) / wall
  open.forEach((close) => close())
  server.kill('SIGTERM')
  await new Promise((resolve) => server.once('exit', resolve))
  say(
    `${windows} windows follow ${perSecond} entries a second`,
    `${cores.toFixed(2)} cores (limit 1), a window has the entry after ${ms(middle(heardAfter))} at the median`,
  )
}

const RACK_WAIT_MS = 300

function openWindow(base: string, heard: (seq: number) => void): () => void {
  let rackTimer: ReturnType<typeof setTimeout> | undefined
  let known = 0
  const request = get(`${base}/api/events`, (response) => {
    response.setEncoding('utf8')
    response.on('data', (chunk: string) => {
      for (const line of chunk.split('\n')) {
        if (!line.startsWith('data: {"')) continue
        const told = JSON.parse(line.slice(6)) as { job?: string; seq?: number }
        if (!told.job || !told.seq) continue
        const after = known || told.seq - 1
        known = told.seq
        void fetch(`${base}/api/jobs/${told.job}/entries?after=${after}`)
          .then((answer) => answer.json())
          .then(() => heard(told.seq!))
          .catch(() => undefined)
        rackTimer ??= setTimeout(() => {
          rackTimer = undefined
          void fetch(`${base}/api/jobs`)
            .then((answer) => answer.json())
            .catch(() => undefined)
        }, RACK_WAIT_MS)
      }
    })
    response.on('error', () => undefined)
  })
  request.on('error', () => undefined)
  return () => {
    clearTimeout(rackTimer)
    request.destroy()
  }
}

/** User and system time of a process, from /proc; a tick is a hundredth of a second. */
function cpuSeconds(child: ChildProcess): number {
  const fields = readFileSync(`/proc/${child.pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  return (Number(fields[11]) + Number(fields[12])) / 100
}

/** Logs of a length, made by the seed: noted, taken apart, judged, put together, tried over and over. */
function logOf(seed: number, length: number): Entry[] {
  const random = seeded(seed)
  const log: Entry[] = []
  const add = (
    ...[kind, data]: Parameters<typeof unsent> extends [number, infer K, infer D, ...unknown[]]
      ? [K, D]
      : never
  ) =>
    log.push(
      placed(
        unsent(log.length + 1, kind, data, { by: random.pick(['I. Marrow', 'R. Oda', 'O. Dell']) }),
        log.length + 1,
      ),
    )
  add('job.opened', { ...opening, promise: `2026-12-${random.between(10, 29, 1)}` })
  add('ident.chosen', identified)
  add('teardown.unlocked', { why: 'in a box' })
  const positions = sheets.build.positions.filter((p) => !p.stays)
  for (const { code, tray } of positions) {
    add('part.off', { position: code, tray })
    add('finding.judged', finding(code, random.pick(['reuse', 'reuse', 'replace'])))
  }
  const keys = sheets.spec.settings.filter((s) => s.set).map(settingKey)
  while (log.length < length) {
    const [code, place] = random.pick(keys).split('/')
    add('reading.taken', {
      ...reading((12 + random.between(0, 3, 0.1)).toFixed(1), random.pick(['in', 'out', 'out'])),
      code: code!,
      place: place as 'none',
    })
  }
  return log.slice(0, length)
}

/** Many jobs from a few logs, copied inside the database: new ids, new customers, one in ten still open. */
export async function fillJobs(pool: Pool, jobs: number, entries: number): Promise<void> {
  const kinds = 20
  const client = await pool.connect()
  try {
    // Filling is no question of the shop: it may take as long as it takes.
    await client.query('set statement_timeout = 0')
    await client.query(
      'create temp table pattern_rows (n int, seq int, kind text, v int, body int, data jsonb, by_person text)',
    )
    for (let n = 0; n < kinds; n++) {
      const log = logOf(1000 + n, entries)
      await client.query(
        `insert into pattern_rows select $1::int, seq, kind, v, body, data, by from jsonb_to_recordset($2) as x(seq int, kind text, v int, body int, data jsonb, by text)`,
        [n, JSON.stringify(log)],
      )
      const summary = summarise(fold('00000000-0000-4000-8000-000000000000', log), all)!
      await copyJobs(client, summary, n, kinds, jobs)
    }
    await client.query(
      `insert into entry (job, seq, id, kind, v, body, data, by_person, at, received_at)
       select j.job, p.seq, md5('entry ' || j.number || ' ' || p.seq)::uuid, p.kind, p.v, p.body, p.data, p.by_person,
              timestamptz '2026-11-20T08:00:00Z' + p.seq * interval '1 minute', timestamptz '2026-11-20T08:00:00Z' + p.seq * interval '1 minute'
         from job j join pattern_rows p on p.n = j.number % ${kinds}
        where j.number > 100000`,
    )
  } finally {
    client.release()
  }
}

async function copyJobs(
  client: { query: Pool['query'] },
  summary: JobSummary,
  n: number,
  kinds: number,
  jobs: number,
): Promise<void> {
  await client.query(
    `insert into job (job, number, seq, customer, engine, equipment, complaint, promise, status, station, station_state, line,
                      list_number, bodies, body, minutes_left, opened_at, last_by, last_at)
     select md5('job ' || number)::uuid, number, $1, 'orchard ' || number % 137, 'engine ' || number % 11, 'rig ' || number % 900,
            $2, date '2026-11-20' + number % 30, case when number % 10 = 0 then 'open' else 'returned' end, $3, $4, $5,
            $6, 1, 1, $7, timestamptz '2026-11-20T08:00:00Z', $8, timestamptz '2026-11-20T08:00:00Z' + $1::int * interval '1 minute'
       from generate_series(100001, 100000 + $9::int) as number where number % $10::int = $11::int`,
    [
      summary.seq,
      summary.complaint,
      summary.station,
      summary.stationState,
      summary.line,
      summary.listNumber,
      summary.minutesLeft,
      summary.lastBy,
      jobs,
      kinds,
      n,
    ],
  )
}

/** One job with a very long log. */
async function fillLong(pool: Pool, length: number): Promise<string> {
  const services = openServices(pool, () => new Date(NOW))
  const job = randomUUID()
  const log = logOf(7, length)
  for (let i = 0; i < log.length; i += 100)
    await services.appender.append(
      job,
      log
        .slice(i, i + 100)
        .map(({ seq: _, receivedAt: __, ...entry }) => ({ ...entry, id: randomUUID(), job })),
    )
  return job
}
