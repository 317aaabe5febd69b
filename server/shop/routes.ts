import { HealthAnswer, ShopAnswer, ShopBody, ShopHistoryAnswer, ShopSaved } from '@ekrond/contract/shop'
import type { FastifyInstance } from 'fastify'
import { statfs } from 'node:fs/promises'
import { localDate } from '../clock.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { inTransaction } from '../db/pool.ts'
import { ProblemError } from '../http/problem.ts'
import { selectShopChanges, selectShopLists, selectShopVersion, saveShop } from './shop.sql.ts'

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
    const [shop, lists, version] = await Promise.all([
      services.shop(),
      selectShopLists(services.pool),
      selectShopVersion(services.pool),
    ])
    const now = services.clock()
    return { version, ...shop, ...lists, now: now.toISOString(), today: localDate(now, shop.zone) }
  })

  app.put('/api/shop', { schema: { body: ShopBody, response: { 200: ShopSaved } } }, async (request) => {
    const { version, by, settings } = request.body
    return inTransaction(services.pool, async (client) => {
      await client.query('lock table shop_change in exclusive mode')
      const now = await selectShopVersion(client)
      if (now !== version) {
        const [last] = await selectShopChanges(client)
        throw new ProblemError(
          409,
          'Changed meanwhile',
          `${last?.by ?? 'Somebody'} changed the shop while you did. Look at both, then save yours again.`,
          'version',
        )
      }
      await saveShop(client, { version: now + 1, by, at: services.clock().toISOString(), settings })
      return { version: now + 1 }
    })
  })

  app.get('/api/shop/history', { schema: { response: { 200: ShopHistoryAnswer } } }, async () => {
    const changes = await selectShopChanges(services.pool)
    return { changes: changes.map((one) => ({ ...one, at: new Date(one.at).toISOString() })) }
  })
}
