import type { Clock } from './clock.ts'
import type { Pool } from './db/pool.ts'
import { appender, jobCache, type Appender, type JobCache } from './jobs/append.ts'
import { returnSheetPdf, type SheetRenderer } from './reports/return-sheet.ts'
import { selectShop, type ShopHead } from './shop/shop.sql.ts'

/** What the routes work with. */
export interface Services {
  pool: Pool
  clock: Clock
  cache: JobCache
  appender: Appender
  shop(): Promise<ShopHead>
  zone(): Promise<string>
  renderSheet: SheetRenderer
}

/** `renderSheet`: the production server lays sheets out on a thread of its own, see `reports/thread.ts`. */
export function openServices(
  pool: Pool,
  clock: Clock,
  renderSheet: SheetRenderer = returnSheetPdf,
): Services {
  const cache = jobCache()
  const shop = () => selectShop(pool)
  return {
    pool,
    clock,
    cache,
    appender: appender(pool, cache, clock),
    shop,
    zone: async () => (await shop()).zone,
    renderSheet,
  }
}
