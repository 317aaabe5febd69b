import { HealthAnswer, ShopAnswer } from '@ekrond/contract/shop'
import type { FastifyInstance } from 'fastify'
import { statfs } from 'node:fs/promises'
import { localDate } from '../clock.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { selectShopLists } from './shop.sql.ts'

/** Less room than this and PostgreSQL may stop at any moment. */
const LEAST_ROOM_BYTES = 64 * 1024 * 1024

async function diskState(): Promise<'ok' | 'full' | 'unknown'> {
  const folder = process.env.EKROND_DATA_FOLDER
  if (!folder) return 'unknown'
  return statfs(folder).then(
    ({ bavail, bsize }) => (bavail * bsize < LEAST_ROOM_BYTES ? 'full' : 'ok'),
    () => 'unknown',
  )
}

// eslint-disable-next-line @typescript-eslint/require-await -- fastify's plugins are async by contract
export async function shopRoutes(
  plain: FastifyInstance,
  { services }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()

  app.get('/api/health', { schema: { response: { 200: HealthAnswer } } }, async () => {
    const database = await services.pool.query('select 1').then(
      () => true,
      () => false,
    )
    const disk = await diskState()
    return { ok: database && disk !== 'full', database, disk, version: '0.1.0' }
  })

  app.get('/api/shop', { schema: { response: { 200: ShopAnswer } } }, async () => {
    const [shop, lists] = await Promise.all([services.shop(), selectShopLists(services.pool)])
    const now = services.clock()
    return { ...shop, ...lists, now: now.toISOString(), today: localDate(now, shop.zone) }
  })
}
