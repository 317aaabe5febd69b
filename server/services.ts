import type { Clock } from './clock.ts'
import type { Pool } from './db/pool.ts'
import { appender, jobCache, type Appender, type JobCache } from './jobs/append.ts'
import { sentFiles } from './import/files.ts'
import { isPicture } from './photos/decode.ts'
import { readCatalogue, type CatalogueRead } from './import/read.ts'
import type { SheetRenderer } from './reports/return-sheet.ts'
import { selectShop, type ShopHead } from './shop/shop.sql.ts'

/** What the routes work with. */
export interface Services {
  pool: Pool
  /** connections of their own for what takes long */
  long: Pool
  clock: Clock
  /** whether this process makes nightly backups */
  keepsBackups: boolean
  cache: JobCache
  appender: Appender
  shop: () => Promise<ShopHead>
  zone: () => Promise<string>
  renderSheet: SheetRenderer
  readCatalogue: (files: Record<string, string>) => Promise<CatalogueRead>
  /** whether a picture can be read to its end */
  isPicture: (bytes: Uint8Array) => Promise<boolean>
}

/** What production puts on threads of its own. */
export type Heavy = Pick<Services, 'renderSheet' | 'readCatalogue' | 'isPicture'>

const inPlace: Heavy = {
  // Whoever makes papers loads what draws them: a server listens sooner without.
  renderSheet: async (pages, head) => (await import('./reports/return-sheet.ts')).returnSheetPdf(pages, head),
  readCatalogue: (files) => readCatalogue(sentFiles(files)),
  isPicture: (bytes) => Promise.resolve(isPicture(bytes)),
}

export function openServices(
  pool: Pool,
  clock: Clock,
  heavy: Heavy = inPlace,
  { long = pool, keepsBackups = false }: { long?: Pool; keepsBackups?: boolean } = {},
): Services {
  const cache = jobCache()
  const shop = () => selectShop(pool)
  return {
    pool,
    long,
    keepsBackups,
    clock,
    cache,
    appender: appender(pool, cache, clock),
    shop,
    zone: async () => (await shop()).zone,
    ...heavy,
  }
}
