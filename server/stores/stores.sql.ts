import type { StoreAnswer, StoreKind, StoreRecord, StoresAnswer } from '@ekrond/contract/stores'
import { escapeLike, type Queryable } from '../db/pool.ts'

const MOST_LISTED = 100

/** What each list says of one of its rows beside its name. */
const LISTS: Readonly<Record<StoreKind, string>> = {
  part: `select p.part as code, p.name, concat_ws(', ', nullif(p.material, ''), nullif(coalesce(s.quantity, 0), 0) || ' in the drawer') as words, p.kind
           from part p left join shelf s using (part)`,
  kit: `select kit as code, kit.name, supplier.name || case when stock > 0 then ', ' || stock || ' here' else '' end as words, '' as kind
          from kit join supplier using (supplier)`,
  supplier: `select supplier as code, name, (select count(*) from price where price.supplier = supplier.supplier) || ' prices' as words, '' as kind from supplier`,
}

/** Those whose number, name or words hold a fragment, of one kind where one is asked for; how many there are in all, and of which kinds. */
export async function selectStores(
  db: Queryable,
  what: StoreKind,
  { q, kind }: { q: string; kind: string },
): Promise<StoresAnswer> {
  const { rows } = await db.query<StoresAnswer>(
    `with listed as (${LISTS[what]}),
          found as (
            select code, name, words, kind from listed
             where ($2 = '' or kind = $2)
               and (code ilike '%' || $1 || '%' or name ilike '%' || $1 || '%' or words ilike '%' || $1 || '%')
             order by (code ilike $1 || '%') desc, code limit ${MOST_LISTED})
     select (select count(*)::int from listed) as count,
            (select coalesce(array_agg(distinct kind order by kind), '{}') from listed where kind <> '') as kinds,
            (select coalesce(jsonb_agg(to_jsonb(found)), '[]') from found) as rows`,
    [escapeLike(q), kind],
  )
  return rows[0]!
}

const RECORDS: Readonly<Record<StoreKind, string>> = {
  part: `select jsonb_build_object('code', p.part, 'name', p.name, 'kind', p.kind, 'material', p.material, 'tell', p.tell, 'drawing', p.drawing,
           'shelf', coalesce((select quantity from shelf where part = p.part), 0),
           'prices', coalesce((select jsonb_agg(jsonb_build_object('supplier', supplier, 'priceMinor', price_minor, 'leadDays', lead_days) order by supplier)
                                from price where part = p.part), '[]')) as record
           from part p where p.part = $1`,
  kit: `select jsonb_build_object('code', kit, 'name', name, 'supplier', supplier, 'priceMinor', price_minor, 'leadDays', lead_days, 'stock', stock,
          'holds', coalesce((select jsonb_agg(jsonb_build_object('part', part, 'quantity', quantity) order by part) from kit_hold h where h.kit = kit.kit), '[]')) as record
          from kit where kit = $1`,
  supplier: `select jsonb_build_object('code', supplier, 'name', name, 'shippingMinor', shipping_minor) as record from supplier where supplier = $1`,
}

/** Where one of them is used, by the names that people know. */
const USES: Readonly<Record<StoreKind, string>> = {
  part: `select 'kit ' || kit as by from kit_hold where part = $1
         union select list_number from part_use where part = $1`,
  kit: `select null as by where $1 = ''`,
  supplier: `select 'kit ' || kit as by from kit where supplier = $1 union select 'part ' || part from price where supplier = $1`,
}

export async function selectVersion(db: Queryable, what: StoreKind, code: string): Promise<number> {
  const { rows } = await db.query<{ version: number }>(
    'select coalesce(max(version), 0) as version from store_change where what = $1 and code = $2',
    [what, code],
  )
  return rows[0]!.version
}

export async function selectRecord(
  db: Queryable,
  what: StoreKind,
  code: string,
): Promise<StoreRecord | null> {
  const { rows } = await db.query<{ record: StoreRecord }>(RECORDS[what], [code])
  return rows[0]?.record ?? null
}

export async function selectUses(db: Queryable, what: StoreKind, code: string): Promise<string[]> {
  const { rows } = await db.query<{ by: string }>(
    `select by from (${USES[what]}) uses order by by limit 50`,
    [code],
  )
  return rows.map(({ by }) => by)
}

export async function selectChanges(
  db: Queryable,
  what: StoreKind,
  code: string,
): Promise<StoreAnswer['changes']> {
  const { rows } = await db.query<StoreAnswer['changes'][number]>(
    'select version, at, by, record from store_change where what = $1 and code = $2 order by version desc limit 50',
    [what, code],
  )
  return rows.map(({ at, ...row }) => ({ ...row, at: new Date(at).toISOString() }))
}

export async function insertChange(
  db: Queryable,
  change: { what: StoreKind; code: string; version: number; at: string; by: string; record: unknown },
): Promise<void> {
  await db.query(
    'insert into store_change (what, code, version, at, by, record) values ($1, $2, $3, $4, $5, $6)',
    [
      change.what,
      change.code,
      change.version,
      change.at,
      change.by,
      change.record === null ? null : JSON.stringify(change.record),
    ],
  )
}

/** Those of some codes that a table does not have. */
export async function selectMissing(
  db: Queryable,
  what: 'part' | 'supplier',
  codes: readonly string[],
): Promise<string[]> {
  const { rows } = await db.query<{ code: string }>(
    `select code from unnest($1::text[]) as code where not exists (select from ${what} where ${what} = code)`,
    [codes],
  )
  return rows.map(({ code }) => code)
}

type Writes = { [K in StoreKind]: (db: Queryable, record: StoreRecord<K>) => Promise<void> }

export const writes: Writes = {
  async part(db, { code, name, kind, material, tell, drawing, shelf, prices }) {
    await db.query(
      `insert into part (part, name, kind, material, tell, drawing) values ($1, $2, $3, $4, $5, $6)
         on conflict (part) do update set name = excluded.name, kind = excluded.kind, material = excluded.material,
           tell = excluded.tell, drawing = excluded.drawing`,
      [code, name, kind, material, tell, drawing],
    )
    await db.query('delete from price where part = $1', [code])
    await db.query(
      `insert into price (part, supplier, price_minor, lead_days)
         select $1, supplier, "priceMinor", "leadDays" from jsonb_to_recordset($2::jsonb) as one(supplier text, "priceMinor" int, "leadDays" int)`,
      [code, JSON.stringify(prices)],
    )
    await db.query(
      `insert into shelf (part, quantity) values ($1, $2) on conflict (part) do update set quantity = excluded.quantity`,
      [code, shelf],
    )
  },
  async kit(db, { code, name, supplier, priceMinor, leadDays, stock, holds }) {
    await db.query(
      `insert into kit (kit, name, supplier, price_minor, lead_days, stock) values ($1, $2, $3, $4, $5, $6)
         on conflict (kit) do update set name = excluded.name, supplier = excluded.supplier, price_minor = excluded.price_minor,
           lead_days = excluded.lead_days, stock = excluded.stock`,
      [code, name, supplier, priceMinor, leadDays, stock],
    )
    await db.query('delete from kit_hold where kit = $1', [code])
    await db.query(
      `insert into kit_hold (kit, part, quantity)
         select $1, part, quantity from jsonb_to_recordset($2::jsonb) as one(part text, quantity int)`,
      [code, JSON.stringify(holds)],
    )
  },
  async supplier(db, { code, name, shippingMinor }) {
    await db.query(
      `insert into supplier (supplier, name, shipping_minor) values ($1, $2, $3)
         on conflict (supplier) do update set name = excluded.name, shipping_minor = excluded.shipping_minor`,
      [code, name, shippingMinor],
    )
  },
}

/** Takes one out; what is only its own goes with it. */
export async function remove(db: Queryable, what: StoreKind, code: string): Promise<void> {
  if (what === 'part') {
    await db.query('delete from price where part = $1', [code])
    await db.query('delete from shelf where part = $1', [code])
  }
  await db.query(`delete from ${what} where ${what} = $1`, [code])
}
