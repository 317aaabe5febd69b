import type {
  ListNumberAnswer,
  ListNumbersAnswer,
  MarketAnswer,
  ModelAnswer,
  RelativesAnswer,
  RevisionsAnswer,
} from '@ekrond/contract/library'
import type { Sheets, SpecSheet } from '@ekrond/core/sheets'
import { valueHistory } from '@ekrond/core/sheets/library'
import type { Queryable } from '../db/pool.ts'

/**
 * Every list number with how common it is: the catalogue's weight, and one more for each that went back from here by it. As the JSON
 * text that goes out: twenty thousand of them are not taken apart and put together again on the way.
 */
export async function selectCandidates(db: Queryable): Promise<string> {
  const { rows } = await db.query<{ answer: string }>(
    `with back as (
       select coalesce(merged_into, list_number) as list_number, count(*) as times
         from job join list_number using (list_number) where status = 'returned' group by 1
     ), other as (
       select list_number, value as number
         from list_number, jsonb_array_elements_text(supersedes)
        where supersedes <> '[]'
          and not exists (select from list_number known where known.list_number = value and known.merged_into is null)
       union
       select merged_into, list_number from list_number where merged_into is not null
     ), alias as (
       select list_number, json_agg(number order by number) as numbers from other group by 1
     )
     select json_build_object('candidates', coalesce(json_agg(json_build_object(
              'id', list_number, 'maker', model.maker, 'mark', mark, 'weight', weight + coalesce(back.times, 0),
              'features', features, 'aliases', coalesce(alias.numbers, '[]')) order by list_number), '[]'))::text as answer
       from list_number join model using (model) left join back using (list_number) left join alias using (list_number)
      where merged_into is null`,
  )
  return rows[0]!.answer
}

export async function selectListNumbers(
  db: Queryable,
  { q, limit }: { q: string; limit: number },
): Promise<ListNumbersAnswer> {
  const { rows } = await db.query<ListNumbersAnswer['listNumbers'][number] & { total: number }>(
    `select list_number as "listNumber", model.maker, model, model.name as "modelName", mark, supersedes, features, coalesce(seen, 0) as seen,
            count(*) over () as total
       from list_number join model using (model)
       left join (select list_number, count(*)::int as seen from job where status = 'returned' group by 1) back using (list_number)
      where merged_into is null and ($1 = '' or concat_ws(' ', list_number, mark, model.maker, model.name, supersedes #>> '{}',
              (select string_agg(other.list_number, ' ') from list_number other where other.merged_into = list_number.list_number)) ilike '%' || $1 || '%')
      order by model.maker, list_number
      limit $2`,
    [q.replace(/[\\%_]/g, (sign) => `\\${sign}`), limit],
  )
  return { listNumbers: rows.map(({ total: _, ...row }) => row), total: rows[0]?.total ?? 0 }
}

/** What each list number of a model is set and calibrated to, by its newest sheet, in one query; at most as many as a library page shows. */
export async function selectModel(db: Queryable, model: string): Promise<ModelAnswer> {
  const { rows } = await db.query<ModelAnswer['variants'][number]>(
    `select distinct on (list_number) list_number as "listNumber", coalesce((sheet->'engine'->>'displacementL')::float8, 0) as "displacementL", sheet ? 'taught' as ours,
            (select coalesce(jsonb_agg(jsonb_build_object('code', one->'code', 'place', one->'place', 'name', one->'name',
                      'asWritten', one->'asWritten', 'target', one->'target')), '[]') from jsonb_array_elements(sheet->'settings') one) as settings,
            (select coalesce(jsonb_agg(jsonb_build_object('code', one->'code', 'place', one->'place', 'name', one->'name', 'mm', one->'mm')), '[]')
               from jsonb_array_elements(sheet->'calibration') one) as calibration
       from list_number join sheet_revision using (list_number)
      where model = $1 and merged_into is null and kind = 'spec' order by list_number, number desc limit 500`,
    [model],
  )
  return { variants: rows }
}

/** A list number with its newest sheets, in one query. */
export async function selectListNumber(
  db: Queryable,
  listNumber: string,
): Promise<ListNumberAnswer | undefined> {
  const { rows } = await db.query<
    Omit<ListNumberAnswer, 'sheets'> & {
      spec: Sheets['spec']
      build: Sheets['build']
      specRev: string
      buildRev: string
    }
  >(
    `select l.list_number as "listNumber", m.maker, l.model, m.name as "modelName", l.mark, l.features, l.supersedes, l.fits_as as "fitsAs",
            (select count(*)::int from job where job.list_number = l.list_number and job.status = 'returned') as returned,
            coalesce((select jsonb_agg(jsonb_build_object('listNumber', o.list_number, 'words', fit->>'words') order by o.list_number)
                        from list_number o, jsonb_array_elements(o.fits_as) fit where fit->>'listNumber' = l.list_number), '[]') as "fittedBy",
            l.merged_into as "mergedInto",
            coalesce((select jsonb_agg(o.list_number order by o.list_number) from list_number o where o.merged_into = l.list_number), '[]') as merged,
            coalesce((select jsonb_agg(o.list_number order by o.list_number) from list_number o where o.supersedes ? l.list_number), '[]') as "supersededBy",
            coalesce((select jsonb_agg(jsonb_build_object('at', c.at, 'by', c.by, 'what', c.what, 'why', c.why) order by c.number desc)
                        from list_number_change c where c.list_number = l.list_number), '[]') as changes,
            s.revision as "specRev", s.sheet as spec, b.revision as "buildRev", b.sheet as build
       from list_number l
       join model m using (model)
       join lateral (select revision, sheet from sheet_revision where list_number = l.list_number and kind = 'spec' order by number desc limit 1) s on true
       join lateral (select revision, sheet from sheet_revision where list_number = l.list_number and kind = 'build' order by number desc limit 1) b on true
      where l.list_number = $1`,
    [listNumber],
  )
  const row = rows[0]
  if (!row) return undefined
  const { spec, build, specRev, buildRev, ...rest } = row
  return { ...rest, sheets: { specRev, buildRev, spec, build } }
}

/** The revisions of a list number's sheets, with the values of each spec. */
export async function selectRevisions(db: Queryable, listNumber: string): Promise<RevisionsAnswer> {
  const { rows } = await db.query<{
    revision: string
    kind: string
    addedAt: string
    by: string
    why: string
    spec: SpecSheet | null
  }>(
    `select revision, kind, added_at as "addedAt", by, why, case when kind = 'spec' then sheet end as spec
       from sheet_revision where list_number = $1 order by kind desc, number`,
    [listNumber],
  )
  return {
    revisions: rows.map(({ spec: _, ...row }) => row),
    values: valueHistory(rows.flatMap(({ revision, spec }) => (spec ? [{ revision, spec }] : []))),
  }
}

/** The values of every setting over the newest sheets of similar units, a float’s only of the same datum; taught ones lend only what somebody wrote. */
export async function selectRelatives(
  db: Queryable,
  {
    draft,
    barrels,
    bore,
    throttle,
    sense,
  }: {
    draft: string
    barrels: number
    bore?: number | undefined
    throttle?: 'fixed venturi' | 'slide' | 'diaphragm' | undefined
    sense?: number | undefined
  },
): Promise<RelativesAnswer> {
  const { rows } = await db.query<{ listNumber: string; key: string; value: number; weight: number }>(
    `with alike as (
       select list_number, weight from list_number
        where merged_into is null and features->>'draft' = $1 and (features->>'barrels')::numeric = $2
          and ($3::numeric is null or abs((features->>'throttleBoreMm')::numeric - $3) <= 0.1 * $3)
     ), newest as (
       select distinct on (list_number) list_number, weight, sheet
         from sheet_revision join alike using (list_number) where kind = 'spec' order by list_number, number desc
     ), built as (
       select distinct on (list_number) list_number,
              case when sheet @? '$.positions[*] ? (@.code == "slide")' then 'slide'
                   when sheet @? '$.positions[*] ? (@.code == "diaphragm")' then 'diaphragm'
                   else 'fixed venturi' end as throttle
         from sheet_revision join alike using (list_number) where kind = 'build' order by list_number, number desc
     )
     select list_number as "listNumber", concat(setting->>'code', '/', setting->>'place') as key,
            (setting->>'target')::float8 as value, weight
       from newest join built using (list_number), jsonb_array_elements(sheet->'settings') as setting
      where ($4::text is null or built.throttle = $4)
        and ($5::int is null or setting->>'code' not like 'float.%' or (sheet->'float'->>'sense')::int = $5)
        and setting->>'target' is not null and setting->>'source' <> 'from relatives'
      order by list_number`,
    [draft, barrels, bore ?? null, throttle ?? null, sense ?? null],
  )
  const settings: RelativesAnswer['settings'] = {}
  for (const { key, ...one } of rows) (settings[key] ??= []).push(one)
  return { listNumbers: [...new Set(rows.map(({ listNumber }) => listNumber))], settings }
}

/** Everything that could cover needs: kits, loose parts, shelf, and which list numbers use each part, in one query. */
export const selectMarket = async (db: Queryable): Promise<MarketAnswer> =>
  JSON.parse(await selectMarketText(db)) as MarketAnswer

/** The same as the JSON text that goes out. */
export async function selectMarketText(db: Queryable): Promise<string> {
  const { rows } = await db.query<{ answer: string }>(
    `with used as (
       select part, jsonb_agg(list_number order by list_number) as used_by from part_use group by 1
     )
     select json_build_object(
       'suppliers', coalesce((select jsonb_agg(jsonb_build_object('code', supplier, 'name', name, 'shippingMinor', shipping_minor) order by supplier) from supplier), '[]'),
       'kits', coalesce((select jsonb_agg(jsonb_build_object('code', kit, 'name', name, 'supplier', supplier, 'priceMinor', price_minor, 'leadDays', lead_days, 'stock', stock,
         'holds', coalesce((select jsonb_agg(jsonb_build_object('part', part, 'quantity', quantity) order by part) from kit_hold h where h.kit = kit.kit), '[]')) order by kit) from kit), '[]'),
       'singles', coalesce((select jsonb_agg(jsonb_build_object('part', part, 'supplier', supplier, 'priceMinor', price_minor, 'leadDays', lead_days) order by part, supplier) from price), '[]'),
       'shelf', coalesce((select jsonb_agg(jsonb_build_object('part', part, 'quantity', quantity) order by part) from shelf), '[]'),
       'parts', coalesce((select jsonb_agg(jsonb_build_object('part', p.part, 'name', p.name, 'kind', p.kind, 'material', p.material, 'tell', p.tell, 'drawing', p.drawing,
         'usedBy', coalesce(used.used_by, '[]')) order by p.part) from part p left join used using (part)), '[]'))::text as answer`,
  )
  return rows[0]!.answer
}
