import {
  HealthAnswer,
  KeepingAnswer,
  ShopAnswer,
  ShopBody,
  ShopHistoryAnswer,
  ShopSaved,
} from '@ekrond/contract/shop'
import type { FastifyInstance } from 'fastify'
import { localDate } from '../clock.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { inTransaction, type Pool } from '../db/pool.ts'
import { kindOfShop } from '../db/untouched.ts'
import { ProblemError } from '../http/problem.ts'
import { backupFolder, backupState } from '../whole/backup.ts'
import { diskRoom } from './disk.ts'
import { selectShopChanges, selectShopLists, selectShopVersion, saveShop } from './shop.sql.ts'

/** A database that says nothing for so long is away. */
const ANSWER_MS = 2000

/** Whether the database answers, within two seconds. */
async function answers(pool: Pool): Promise<boolean> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const tooLong = new Promise<boolean>((resolve) => {
    timer = setTimeout(() => resolve(false), ANSWER_MS)
  })
  const asked = pool.query('select 1').then(
    () => true,
    () => false,
  )
  return Promise.race([asked, tooLong]).finally(() => clearTimeout(timer))
}

/** A nightly backup that is older than this was missed. */
const OLD_BACKUP_MS = 36 * 3600_000

// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function shopRoutes(
  plain: FastifyInstance,
  { services }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()

  app.get('/api/health', { schema: { response: { 200: HealthAnswer } } }, async () => {
    const database = await answers(services.pool)
    const { state: disk } = diskRoom()
    return { ok: database && disk !== 'full', database, disk, version: '0.1.0' }
  })

  /** Whether what the shop has is kept: whose it is, room on its disk, its newest backup. */
  app.get('/api/keeping', { schema: { response: { 200: KeepingAnswer } } }, async () => {
    const kind = await kindOfShop(services.pool)
    const folder = services.keepsBackups ? backupFolder() : undefined
    const { at, failed } = folder ? backupState(folder) : { at: null, failed: '' }
    const old = at !== null && services.clock().getTime() - Date.parse(at) > OLD_BACKUP_MS
    const state =
      !folder || kind === 'new' ? 'off' : failed ? 'failed' : at === null ? 'none' : old ? 'old' : 'ok'
    return { kind, disk: diskRoom(), backup: { state, at, why: failed } } as const
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
