import type { OffGauge } from '@ekrond/core/claims'
import type { ShopAnswer, ShopHistoryAnswer, ShopSettings } from '@ekrond/contract/shop'
import type { Queryable } from '../db/pool.ts'

export type ShopHead = Pick<
  ShopAnswer,
  'name' | 'place' | 'zone' | 'currency' | 'workingDays' | 'hourMinor' | 'tankLitres' | 'warrantyDays'
>

export async function selectShop(db: Queryable): Promise<ShopHead> {
  const { rows } = await db.query<{
    name: string
    place: string
    zone: string
    currency_code: string
    currency_exponent: number
    working_days: number[]
    hour_minor: number
    tank_litres: number
    warranty_days: number
  }>('select * from shop')
  const row = rows[0]
  if (!row)
    return {
      name: 'New shop',
      place: '',
      zone: 'UTC',
      currency: { code: 'XXX', exponent: 2 },
      workingDays: [1, 2, 3, 4, 5],
      hourMinor: 0,
      tankLitres: 6,
      warrantyDays: 90,
    }
  return {
    name: row.name,
    place: row.place,
    zone: row.zone,
    currency: { code: row.currency_code, exponent: row.currency_exponent },
    workingDays: row.working_days,
    hourMinor: row.hour_minor,
    tankLitres: row.tank_litres,
    warrantyDays: row.warranty_days,
  }
}

/** How often the shop was changed on screen. */
export async function selectShopVersion(db: Queryable): Promise<number> {
  const { rows } = await db.query<{ version: number }>(
    'select coalesce(max(version), 0) as version from shop_change',
  )
  return rows[0]!.version
}

/** What the shop said of itself, the newest first; `most` null for all of it. */
export async function selectShopChanges(
  db: Queryable,
  most: number | null = 200,
): Promise<ShopHistoryAnswer['changes']> {
  const { rows } = await db.query<ShopHistoryAnswer['changes'][number]>(
    'select version, at, by, settings from shop_change order by version desc limit $1',
    [most],
  )
  return rows
}

/** Writes what a shop says of itself: its row, its people and gauges, and the change with who made it. */
export async function saveShop(
  db: Queryable,
  { version, by, at, settings }: { version: number; by: string; at: string; settings: ShopSettings },
): Promise<void> {
  const { name, place, zone, currency, workingDays, hourMinor, tankLitres, warrantyDays, people, gauges } =
    settings
  await db.query('insert into shop_change (version, at, by, settings) values ($1, $2, $3, $4)', [
    version,
    at,
    by,
    JSON.stringify(settings),
  ])
  await db.query(
    `insert into shop (only_one, name, place, zone, currency_code, currency_exponent, working_days, hour_minor, tank_litres, warranty_days)
       values (true, $1, $2, $3, $4, $5, $6, $7, $8, $9)
       on conflict (only_one) do update set name = excluded.name, place = excluded.place, zone = excluded.zone,
         currency_code = excluded.currency_code, currency_exponent = excluded.currency_exponent,
         working_days = excluded.working_days, hour_minor = excluded.hour_minor,
         tank_litres = excluded.tank_litres, warranty_days = excluded.warranty_days`,
    [name, place, zone, currency.code, currency.exponent, workingDays, hourMinor, tankLitres, warrantyDays],
  )
  await db.query('delete from person where name <> all($1)', [people])
  await db.query(
    `insert into person (person, name, initials) select name, name, initials from unnest($1::text[], $2::text[]) as one(name, initials)
      where not exists (select from person where person.name = one.name)
       on conflict (person) do nothing`,
    [people, people.map(initialsOf)],
  )
  await db.query('delete from gauge where gauge <> all($1)', [gauges.map(({ code }) => code)])
  await db.query(
    `insert into gauge (gauge, name, kind, resolution_mm, repeatability_mm)
       select code, name, kind, "resolutionMm", "repeatabilityMm"
         from jsonb_to_recordset($1::jsonb) as one(code text, name text, kind text, "resolutionMm" float8, "repeatabilityMm" float8)
       on conflict (gauge) do update set name = excluded.name, kind = excluded.kind, resolution_mm = excluded.resolution_mm,
         repeatability_mm = excluded.repeatability_mm`,
    [JSON.stringify(gauges)],
  )
  // What a gauge that is gone showed once is asked about all the same.
  await db.query(
    `insert into gauge_check (gauge, good_on, off_on)
       select code, "goodOn", "offOn" from jsonb_to_recordset($1::jsonb) as one(code text, "goodOn" date, "offOn" date)
        where "goodOn" is not null or "offOn" is not null or exists (select from gauge_check c where c.gauge = code)
       on conflict (gauge) do update set good_on = excluded.good_on, off_on = excluded.off_on`,
    [JSON.stringify(gauges)],
  )
}

/** Gauges that were found off, with the day since which nothing that they showed counts. */
export async function selectOffGauges(db: Queryable): Promise<OffGauge[]> {
  const { rows } = await db.query<OffGauge>(
    `select gauge as code, good_on::text as "goodOn", off_on::text as "foundOffOn" from gauge_check where off_on is not null order by gauge`,
  )
  return rows
}

const initialsOf = (name: string): string =>
  name
    .split(/[\s.]+/)
    .map((part) => part.charAt(0).toUpperCase())
    .join('')
    .slice(0, 4)

type Lists = Pick<ShopAnswer, 'people' | 'gauges' | 'makers'>

/** People, gauges and makers in one query. */
export async function selectShopLists(db: Queryable): Promise<Lists> {
  const { rows } = await db.query<Lists>(
    `select
       coalesce((select jsonb_agg(jsonb_build_object('person', person, 'name', name, 'initials', initials) order by name) from person), '[]') as people,
       coalesce((select jsonb_agg(jsonb_build_object('code', gauge, 'name', name, 'kind', kind, 'resolutionMm', resolution_mm,
         'repeatabilityMm', repeatability_mm, 'goodOn', good_on, 'offOn', off_on) order by gauge) from gauge left join gauge_check using (gauge)), '[]') as gauges,
       coalesce((select jsonb_agg(jsonb_build_object('code', maker, 'numbering', numbering) order by maker) from maker), '[]') as makers`,
  )
  return rows[0]!
}
