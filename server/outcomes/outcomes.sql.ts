import type { OutcomesAnswer } from '@ekrond/contract/outcomes'
import type { Queryable } from '../db/pool.ts'

/** So many jobs of a list number are told of. */
const MOST_RELATIVES = 6
/** So many ways in which units of a number differed are told. */
const MOST_AMENDED = 24
/** So many run logs of one are learned from. */
const MOST_RUNS = 40

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
     relatives as (select * from answers where list_number = $1 order by number desc limit ${MOST_RELATIVES}),
     ended as (
       select e.data->>'why' as why, case when coalesce((e.data->>'of')::int, 0) > 0 then 1 else coalesce(o.bodies, 1) end as bodies
         from entry e join job j on j.job = e.job
         left join lateral (select (data->>'bodies')::int as bodies from entry where job = e.job and kind = 'job.opened' order by seq desc limit 1) o on true
        where e.kind = 'job.closed' and j.list_number = $1
          and not exists (select 1 from entry c where c.job = e.job and (c.corrects = e.id or (c.kind = 'job.reopened' and c.seq > e.seq)))
     ), noted as (
       select e.job, e.seq, e.data->'note' as note
         from entry e join job j on j.job = e.job
        where e.kind = 'run.noted' and j.list_number = $1
          and not exists (select 1 from entry c where c.job = e.job and c.corrects = e.id)
     ), run as (
       select job, jsonb_agg(note order by seq) as notes from noted group by job
       having bool_or(note->>'what' = 'lambda') order by job limit ${MOST_RUNS}
     ), taken as (
       select distinct e.job from entry e join job j on j.job = e.job where e.kind = 'part.off' and j.list_number = $1
     ), amended as (
       select e.kind, min(e.data->>'name') as name, case when e.kind = 'own.part' then e.data->>'kind' end as part,
              (e.data->>'absent')::boolean as absent, count(distinct e.job)::int as jobs,
              (array_agg(e.data order by e.seq desc))[1] as last
         from entry e join job j on j.job = e.job
        where e.kind in ('own.part', 'setting.added', 'check.added') and j.list_number = $1
          and (e.kind = 'own.part' or not (e.data->>'absent')::boolean)
          and not exists (select 1 from entry c where c.job = e.job and (c.corrects = e.id or c.kind = 'ident.taught'))
        group by e.kind, lower(e.data->>'name'), part, absent order by jobs desc, name limit ${MOST_AMENDED}
     )
     select jsonb_build_object(
       'takenApart', (select count(*)::int from taken),
       'amended', coalesce((select jsonb_agg(jsonb_build_object(
          'what', kind, 'name', name, 'part', part, 'absent', absent, 'jobs', jobs, 'last', last) order by jobs desc, name) from amended), '[]'),
       'runs', coalesce((select jsonb_agg(notes) from run), '[]'),
       'ends', coalesce((select jsonb_object_agg(why, n) from (select why, sum(bodies)::int as n from ended group by why) w), '{}'),
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
