import type { ShopAnswer } from '@ekrond/contract/shop'
import type { Queryable } from '../db/pool.ts'

export async function selectShop(
  db: Queryable,
): Promise<Pick<ShopAnswer, 'name' | 'place' | 'zone' | 'currency'>> {
  const { rows } = await db.query<{
    name: string
    place: string
    zone: string
    currency_code: string
    currency_exponent: number
  }>('select * from shop')
  const row = rows[0]
  if (!row) return { name: 'New shop', place: '', zone: 'UTC', currency: { code: 'XXX', exponent: 2 } }
  return {
    name: row.name,
    place: row.place,
    zone: row.zone,
    currency: { code: row.currency_code, exponent: row.currency_exponent },
  }
}

type Lists = Pick<ShopAnswer, 'people' | 'gauges' | 'customers' | 'makers'>

/** People, gauges, customers and makers in one query. */
export async function selectShopLists(db: Queryable): Promise<Lists> {
  const { rows } = await db.query<Lists>(
    `select
       coalesce((select jsonb_agg(jsonb_build_object('person', person, 'name', name, 'initials', initials) order by name) from person), '[]') as people,
       coalesce((select jsonb_agg(jsonb_build_object('code', gauge, 'name', name, 'kind', kind, 'resolutionMm', resolution_mm,
         'repeatabilityMm', repeatability_mm) order by gauge) from gauge), '[]') as gauges,
       coalesce((select jsonb_agg(jsonb_build_object('customer', customer, 'engine', engine, 'equipment', equipment) order by customer) from customer), '[]') as customers,
       coalesce((select jsonb_agg(jsonb_build_object('code', maker, 'numbering', numbering) order by maker) from maker), '[]') as makers`,
  )
  return rows[0]!
}
