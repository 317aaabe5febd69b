import { HealthAnswer, ShopAnswer } from '@ekrond/contract/shop'
import type { FastifyInstance } from 'fastify'
import { localDate } from '../clock.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { selectShopLists } from './shop.sql.ts'

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
    return { ok: database, database, version: '0.1.0' }
  })

  app.get('/api/shop', { schema: { response: { 200: ShopAnswer } } }, async () => {
    const [shop, lists] = await Promise.all([services.shop(), selectShopLists(services.pool)])
    const now = services.clock()
    return { ...shop, ...lists, now: now.toISOString(), today: localDate(now, shop.zone) }
  })
}
