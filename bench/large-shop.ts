import { randomBytes } from 'node:crypto'
import type { Pool } from '../server/db/pool.ts'
import { fillJobs } from './shop.ts'

export interface LargeSize {
  listNumbers: number
  jobs: number
  /** entries of each job */
  entries: number
  photographMegabytes: number
}

const PHOTOGRAPH_BYTES = 400_000

/** Makes a demo shop large: its library copied under other numbers, jobs with long logs, photographs of random bytes. */
export async function makeLarge(
  pool: Pool,
  { listNumbers, jobs, entries, photographMegabytes }: LargeSize,
): Promise<void> {
  const { rows } = await pool.query<{ n: number }>('select count(*) as n from list_number')
  const copies = Math.ceil(listNumbers / rows[0]!.n) - 1
  // One in fifty takes the place of an older one, one in a hundred is merged.
  await pool.query(
    `insert into list_number (list_number, model, mark, weight, features, supersedes, fits_as, merged_into)
     select l.list_number || ' ' || n, model, l.mark || n, weight, features,
            case when n % 50 = 0 then jsonb_build_array(l.list_number || ' ' || (n - 1)) else '[]' end, '[]',
            case when n % 100 = 0 then l.list_number end
       from list_number l, generate_series(1, $1::int) n`,
    [copies],
  )
  await pool.query(
    `insert into sheet_revision (revision, list_number, kind, number, sha256, sheet, added_at)
     select r.list_number || ' ' || n || '/' || kind || '/1', r.list_number || ' ' || n, kind, 1, md5(r.revision || n),
            sheet || jsonb_build_object('listNumber', r.list_number || ' ' || n), added_at
       from (select distinct on (list_number, kind) * from sheet_revision order by list_number, kind, number desc) r, generate_series(1, $1::int) n`,
    [copies],
  )
  await fillJobs(pool, jobs, entries)
  for (let i = 0; i < (photographMegabytes * 1e6) / PHOTOGRAPH_BYTES; i++)
    await pool.query('insert into photograph (hash, picture) values (sha256($1), $1)', [
      randomBytes(PHOTOGRAPH_BYTES),
    ])
  await pool.query('vacuum analyze')
}
