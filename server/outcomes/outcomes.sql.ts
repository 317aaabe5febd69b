import type { OutcomesAnswer } from '@ekrond/contract/outcomes'
import type { Queryable } from '../db/pool.ts'

/** So many jobs of a list number are told of. */
const MOST_RELATIVES = 6

// The last answer of each job that went back and was neither corrected nor taken back since.
const ANSWERS = `
  select distinct on (e.job) e.job, j.number, j.complaint, j.list_number, e.data
    from entry e join job j on j.job = e.job
   where e.kind = 'complaint.answered' and j.status = 'returned'
     and not exists (select 1 from entry c where c.job = e.job and c.corrects = e.id)
   order by e.job, e.seq desc`

/** How often each cause was named by the answer of a job that went back, and the answers of one list number’s jobs, newest first. */
export async function selectOutcomes(db: Queryable, listNumber: string | null): Promise<OutcomesAnswer> {
  const { rows } = await db.query<{ answer: OutcomesAnswer }>(
    `with answers as (${ANSWERS}),
     named as (select job, jsonb_array_elements_text(coalesce(data->'causes', '[]')) as cause from answers),
     relatives as (select * from answers where list_number = $1 order by number desc limit ${MOST_RELATIVES})
     select jsonb_build_object(
       'answered', (select count(distinct job) from named),
       'causes', coalesce((select jsonb_object_agg(cause, n) from (select cause, count(distinct job) as n from named group by cause) c), '{}'),
       'relatives', coalesce((select jsonb_agg(jsonb_build_object(
          'number', number, 'complaint', complaint, 'explained', (data->>'explained')::boolean,
          'words', coalesce(data->>'words', ''), 'causes', coalesce(data->'causes', '[]')) order by number desc) from relatives), '[]')
     ) as answer`,
    [listNumber],
  )
  return rows[0]!.answer
}
