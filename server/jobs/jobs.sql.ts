import { stationList } from '@ekrond/core/base/stations'
import type { StampedMark } from '@ekrond/core/claims'
import type { CustomersAnswer, JobRow, JobsAnswer } from '@ekrond/contract/jobs'
import { checkLetter, type Entry } from '@ekrond/core/log'
import { type JobSummary } from '@ekrond/core/bench/stations'
import type { ReturnSheet } from '@ekrond/core/bench/return-sheet'
import type { Sheets } from '@ekrond/core/sheets'
import { sealOf } from './seal.ts'
import { escapeLike, type Queryable } from '../db/pool.ts'

interface EntryRow {
  job: string
  seq: number
  id: string
  kind: string
  v: number
  body: number | null
  half: 'whole' | 'upper' | 'lower' | null
  data: unknown
  by_person: string
  at: string
  received_at: string
  corrects: string | null
  after_entry: string | null
  saw: number | null
}

const toEntry = (row: EntryRow): Entry => ({
  id: row.id,
  job: row.job,
  seq: row.seq,
  kind: row.kind,
  v: row.v,
  ...(row.body === null ? {} : { body: row.body }),
  ...(row.half === null ? {} : { half: row.half }),
  data: row.data,
  by: row.by_person,
  at: row.at,
  receivedAt: row.received_at,
  ...(row.corrects === null ? {} : { corrects: row.corrects }),
  ...(row.after_entry === null ? {} : { after: row.after_entry }),
  ...(row.saw === null ? {} : { saw: row.saw }),
})

export interface JobsFilter {
  q: string
  status: string
  by: string
  customer: string
  waits: boolean
  limit: number
}

/**
 * The rack: one query, filtered and counted, with every customer of that status, whatever else is filtered. A search finds numbers,
 * list numbers, customers, equipment and complaints.
 */
export async function selectJobs(
  db: Queryable,
  { q, status, by, customer, waits, limit }: JobsFilter,
  today: string,
): Promise<Omit<JobsAnswer, 'today'>> {
  // What went back is asked for newest first, behind what is in the shop.
  const order =
    status === 'open'
      ? 'promise, number'
      : "status <> 'open', case when status = 'open' then promise end, number desc"
  const { rows } = await db.query<
    Omit<JobRow, 'letter'> & { total: number; place: number | null; customers: string[] }
  >(
    `with known as (
       select coalesce(array_agg(customer order by customer), '{}') as customers
         from (select distinct customer from job where ($1 = 'all' or status = $1)) as everybody
     ), hangs as (
     select job, number, customer, engine, equipment, complaint, promise, status, station, station_state as "stationState", line,
            list_number as "listNumber", arrives, waits_for as "waitsFor", bodies, body, minutes_left as "minutesLeft",
            opened_at as "openedAt", arrived_at as "arrivedAt", last_by as "lastBy", last_at as "lastAt",
            (status = 'open' and (promise < $4 or coalesce(arrives > promise, false))) as late, count(*) over ()::int as total,
            row_number() over (order by ${order})::int as place
       from job
      where ($1 = 'all' or status = $1)
        and ($5 = '' or last_by = $5) and ($6 = '' or customer = $6) and (not $7 or arrives is not null)
        and ($2 = '' or concat_ws(' ', number, list_number, customer, equipment, complaint) ilike '%' || $2 || '%')
      order by ${order}
      limit $3)
     select hangs.*, case when place is null or place = 1 then known.customers end as customers
       from known left join hangs on true order by place`,
    [status, escapeLike(q), limit, today, by, customer, waits],
  )
  const jobs = rows
    .filter(({ place }) => place !== null)
    .map(({ total: _t, place: _p, customers: _c, ...row }) => ({ ...row, letter: checkLetter(row.number) }))
  return { jobs, total: rows[0]!.total ?? 0, customers: rows[0]!.customers }
}

export async function selectJobHead(
  db: Queryable,
  key: string,
): Promise<{ job: string; number: number; seq: number } | undefined> {
  const byUuid = /^[0-9a-f]{8}-/i.test(key)
  const { rows } = await db.query<{ job: string; number: number; seq: number }>(
    `select job, number, seq from job where ${byUuid ? 'job = $1::uuid' : 'number = $1::integer'}`,
    [key],
  )
  return rows[0]
}

export async function selectEntries(db: Queryable, job: string, after = 0): Promise<Entry[]> {
  const { rows } = await db.query<EntryRow>('select * from entry where job = $1 and seq > $2 order by seq', [
    job,
    after,
  ])
  return rows.map(toEntry)
}

/** Several jobs' logs at once, each in its order. */
export async function selectEntriesOf(db: Queryable, jobs: readonly string[]): Promise<Entry[]> {
  const { rows } = await db.query<EntryRow>('select * from entry where job = any($1) order by job, seq', [
    jobs,
  ])
  return rows.map(toEntry)
}

/** Locks the job's row; null where there is none yet. */
export async function lockJob(db: Queryable, job: string): Promise<{ number: number; seq: number } | null> {
  const { rows } = await db.query<{ number: number; seq: number }>(
    'select number, seq from job where job = $1 for update',
    [job],
  )
  return rows[0] ?? null
}

export async function selectKnownIds(db: Queryable, ids: string[]): Promise<Entry[]> {
  const { rows } = await db.query<EntryRow>('select * from entry where id = any($1)', [ids])
  return rows.map(toEntry)
}

export async function insertEntries(db: Queryable, entries: readonly Entry[]): Promise<void> {
  const rows = entries.map((entry) => ({
    job: entry.job,
    seq: entry.seq,
    id: entry.id,
    kind: entry.kind,
    v: entry.v,
    body: entry.body ?? null,
    half: entry.half ?? null,
    data: entry.data,
    by_person: entry.by,
    at: entry.at,
    received_at: entry.receivedAt,
    corrects: entry.corrects ?? null,
    after_entry: entry.after ?? null,
    saw: entry.saw ?? null,
  }))
  await db.query('insert into entry select * from jsonb_populate_recordset(null::entry, $1)', [
    JSON.stringify(rows),
  ])
}

const SUMMARY_COLUMNS = [
  'job',
  'seq',
  'customer',
  'engine',
  'equipment',
  'complaint',
  'promise',
  'status',
  'station',
  'station_state',
  'line',
  'list_number',
  'arrives',
  'waits_for',
  'bodies',
  'body',
  'minutes_left',
  'opened_at',
  'arrived_at',
  'last_by',
  'last_at',
]

const summaryValues = (s: JobSummary) => [
  s.job,
  s.seq,
  s.customer,
  s.engine,
  s.equipment,
  s.complaint,
  s.promise,
  s.status,
  s.station,
  s.stationState,
  s.line,
  s.listNumber,
  s.arrives,
  s.waitsFor,
  s.bodies,
  s.body,
  s.minutesLeft,
  s.openedAt,
  s.arrivedAt,
  s.lastBy,
  s.lastAt,
]

/** Makes the job's row, and with it its number; one that it had before is given back. */
export async function insertJob(
  db: Queryable,
  summary: JobSummary,
  number?: number,
): Promise<{ number: number }> {
  const columns = number === undefined ? SUMMARY_COLUMNS : [...SUMMARY_COLUMNS, 'number']
  const values = number === undefined ? summaryValues(summary) : [...summaryValues(summary), number]
  const { rows } = await db.query<{ number: number }>(
    `insert into job (${columns.join(', ')}) values (${columns.map((_, i) => `$${i + 1}`).join(', ')}) returning number`,
    values,
  )
  return rows[0]!
}

/** Writes the projection anew. */
export async function updateJob(db: Queryable, summary: JobSummary): Promise<void> {
  const columns = SUMMARY_COLUMNS.slice(1).map((column, i) => `${column} = $${i + 2}`)
  await db.query(`update job set ${columns.join(', ')} where job = $1`, summaryValues(summary))
}

export const notifyJob = async (db: Queryable, job: string, seq: number): Promise<void> => {
  await db.query('select pg_notify($1, $2)', ['ekrond', JSON.stringify({ job, seq })])
}

export async function selectSheets(
  db: Queryable,
  specRev: string,
  buildRev: string,
): Promise<Sheets | undefined> {
  const { rows } = await db.query<{ revision: string; sheet: unknown }>(
    'select revision, sheet from sheet_revision where revision = any($1)',
    [[specRev, buildRev]],
  )
  const spec = rows.find((row) => row.revision === specRev)?.sheet as Sheets['spec'] | undefined
  const build = rows.find((row) => row.revision === buildRev)?.sheet as Sheets['build'] | undefined
  return spec && build ? { specRev, buildRev, spec, build } : undefined
}

/** What the library says of list numbers today: what they bear and measure, and their newest sheets where those are others than the given revisions. */
export async function selectOfLibrary(
  db: Queryable,
  listNumbers: readonly string[],
  specRevs: readonly string[],
): Promise<Map<string, StampedMark & { sheets: Sheets | null }>> {
  const { rows } = await db.query<StampedMark & { sheets: Sheets | null }>(
    `select l.list_number as "listNumber", l.mark, l.features,
            case when s.revision <> all($2) then (
              select jsonb_build_object('specRev', s.revision, 'buildRev', b.revision, 'spec', n.sheet, 'build', b.sheet)
                from sheet_revision b join sheet_revision n on n.revision = s.revision
               where b.list_number = l.list_number and b.kind = 'build' order by b.number desc limit 1) end as sheets
       from list_number l
       join lateral (select revision from sheet_revision where list_number = l.list_number and kind = 'spec' order by number desc limit 1) s on true
      where l.list_number = any($1)`,
    [listNumbers, specRevs],
  )
  return new Map(rows.map((one) => [one.listNumber, one]))
}

export async function insertReturnSheet(
  db: Queryable,
  job: string,
  seq: number,
  revision: string,
  sha256: string,
  document: unknown,
): Promise<void> {
  await db.query(
    'insert into return_sheet (job, seq, revision, sha256, document, sealed) values ($1, $2, $3, $4, $5, $6) on conflict do nothing',
    [job, seq, revision, sha256, JSON.stringify(document), sealOf(document)],
  )
}

/** The sheets of several jobs as they are kept, each with its seal. */
export async function selectReturnSheetsOf(db: Queryable, jobs: readonly string[]) {
  const { rows } = await db.query<{
    job: string
    revision: string
    seq: number
    sha256: string
    sealed: string | null
    document: unknown
  }>(
    'select job, revision, seq, sha256, sealed, document from return_sheet where job = any($1) order by job, seq',
    [jobs],
  )
  return rows
}

/** The sheets that went out, oldest first: what each said stays, whatever the log says now. */
export async function selectReturnSheets(
  db: Queryable,
  job: string,
): Promise<{ revision: string; seq: number; sha256: string; document: ReturnSheet[] }[]> {
  const { rows } = await db.query<{ revision: string; seq: number; sha256: string; document: ReturnSheet[] }>(
    'select revision, seq, sha256, document from return_sheet where job = $1 order by seq',
    [job],
  )
  // The first ones were kept as one page without revision.
  return rows.map((row) => ({
    ...row,
    document: [row.document].flat().map((page) => ({ ...EMPTY_PAGE, ...page })),
  }))
}
const EMPTY_PAGE = { body: null, revision: 'A', changes: [] }

/** Customers with their engines as one types: the shop's own list and every job that was taken in, the newest first. */
export async function selectCustomers(db: Queryable, q: string, limit: number): Promise<CustomersAnswer> {
  const { rows } = await db.query<CustomersAnswer['customers'][number]>(
    `with known as (
       select customer, engine, equipment, number, status from job where customer ilike '%' || $1 || '%' or engine ilike '%' || $1 || '%' or equipment ilike '%' || $1 || '%'
       union all
       select customer, engine, equipment, 0, '' from customer where customer ilike '%' || $1 || '%' or engine ilike '%' || $1 || '%' or equipment ilike '%' || $1 || '%'
     )
     select customer, engine, equipment, count(*) filter (where number > 0)::int as jobs,
            max(number) filter (where status = 'returned') as "lastReturned"
       from known group by customer, engine, equipment
      order by (customer ilike $1 || '%') desc, max(number) desc, customer
      limit $2`,
    [escapeLike(q), limit],
  )
  return { customers: rows }
}

/** Stations at which a unit lies open. */
const APART = stationList.filter(({ apart }) => apart).map(({ name }) => name)

/** Open jobs whose unit is apart, those that are promised soonest first. */
export async function selectJobsApart(db: Queryable): Promise<{ job: string; number: number }[]> {
  const { rows } = await db.query<{ job: string; number: number }>(
    `select job, number from job
     where status = 'open' and station = any($1)
     order by promise, number`,
    [APART],
  )
  return rows
}
