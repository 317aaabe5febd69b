import type { Queryable } from './pool.ts'

/** What is no entry of anybody: how the database was made, and whether the demo was loaded into it. */
const OURS = ['migration', 'setup']

/** Every table that holds what a shop entered, as the database itself lists them: a new one cannot be forgotten. */
export async function tablesOfAShop(db: Queryable): Promise<string[]> {
  const { rows } = await db.query<{ table: string }>(
    `select relname as table from pg_class join pg_namespace n on n.oid = relnamespace
      where relkind = 'r' and n.nspname = current_schema() and relname <> all($1) order by relname`,
    [OURS],
  )
  return rows.map(({ table }) => table)
}

/** Whether nothing was ever entered: no row in any of its tables. */
export async function isUntouched(db: Queryable): Promise<boolean> {
  const tables = await tablesOfAShop(db)
  if (tables.length === 0) return true
  const { rows } = await db.query<{ untouched: boolean }>(
    `select not (${tables.map((table) => `exists (select from "${table}")`).join(' or ')}) as untouched`,
  )
  return rows[0]!.untouched
}

export type ShopKind = 'demo' | 'real' | 'new'

/** A fact of the database: the demo's own, a shop's, or one in which nothing was entered yet. No setting outside of it changes that. */
export async function kindOfShop(db: Queryable): Promise<ShopKind> {
  const { rows } = await db.query<{ demo: boolean }>(
    "select exists (select from setup where what = 'demo' and done_at is not null) as demo",
  )
  if (rows[0]!.demo) return 'demo'
  return (await isUntouched(db)) ? 'new' : 'real'
}
