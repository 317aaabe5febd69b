import type { ShopAnswer } from '@ekrond/contract/shop'
import type { Queryable } from '../db/pool.ts'

export type ShopHead = Pick<ShopAnswer, 'name' | 'place' | 'zone' | 'currency' | 'workingDays' | 'hourMinor'>

export async function selectShop(db: Queryable): Promise<ShopHead> {
  const { rows } = await db.query<{
    name: string
    place: string
    zone: string
    currency_code: string
    currency_exponent: number
    working_days: number[]
    hour_minor: number
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
    }
  return {
    name: row.name,
    place: row.place,
    zone: row.zone,
    currency: { code: row.currency_code, exponent: row.currency_exponent },
    workingDays: row.working_days,
    hourMinor: row.hour_minor,
  }
}

type Lists = Pick<ShopAnswer, 'people' | 'gauges' | 'makers'>

/** People, gauges and makers in one query. */
export async function selectShopLists(db: Queryable): Promise<Lists> {
  const { rows } = await db.query<Lists>(
    `select
       coalesce((select jsonb_agg(jsonb_build_object('person', person, 'name', name, 'initials', initials) order by name) from person), '[]') as people,
       coalesce((select jsonb_agg(jsonb_build_object('code', gauge, 'name', name, 'kind', kind, 'resolutionMm', resolution_mm,
         'repeatabilityMm', repeatability_mm) order by gauge) from gauge), '[]') as gauges,
       coalesce((select jsonb_agg(jsonb_build_object('code', maker, 'numbering', numbering) order by maker) from maker), '[]') as makers`,
  )
  return rows[0]!
}
