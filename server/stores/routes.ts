import {
  StoreAnswer,
  StoreBody,
  StoreParams,
  StoresAnswer,
  StoreSaved,
  storeSchemas,
  StoresParams,
  StoresQuery,
  type StoreKind,
  type StoreRecord,
} from '@ekrond/contract/stores'
import { issueSentence } from '@ekrond/core/log'
import type { FastifyInstance } from 'fastify'
import * as v from 'valibot'
import { inTransaction, type Client } from '../db/pool.ts'
import { notFound, ProblemError } from '../http/problem.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import {
  insertChange,
  remove,
  selectChanges,
  selectMissing,
  selectRecord,
  selectStores,
  selectUses,
  selectVersion,
  writes,
} from './stores.sql.ts'

const no = (detail: string, field: string) => new ProblemError(422, 'That cannot be kept so', detail, field)

/** What a record names must be there: who sells it, what is in the kit. */
async function checkNamed(db: Client, what: StoreKind, record: StoreRecord): Promise<void> {
  const suppliers =
    'prices' in record
      ? record.prices.map(({ supplier }) => supplier)
      : 'supplier' in record
        ? [record.supplier]
        : []
  const [stranger] = await selectMissing(db, 'supplier', suppliers)
  if (stranger !== undefined)
    throw no(`The shop has no supplier “${stranger}”. Enter who it is first.`, 'supplier')
  const parts = 'holds' in record ? record.holds.map(({ part }) => part) : []
  const [unknown] = await selectMissing(db, 'part', parts)
  if (unknown !== undefined)
    throw no(`The shop has no part “${unknown}”. Enter it first, then it can lie in a ${what}.`, 'holds')
}

async function save(
  db: Client,
  { what, code }: { what: StoreKind; code: string },
  body: v.InferOutput<typeof StoreBody>,
  at: string,
): Promise<number> {
  // One editor at a time for one thing: its lock is its name.
  await db.query('select pg_advisory_xact_lock(hashtextextended($1, 11))', [`${what} ${code}`])
  const version = await selectVersion(db, what, code)
  if (version !== body.version) {
    const [last] = await selectChanges(db, what, code)
    throw new ProblemError(
      409,
      'Changed meanwhile',
      `${last?.by ?? 'Somebody'} changed ${code} while you did. Look at both, then save yours again.`,
      'version',
    )
  }
  const change = { what, code, version: version + 1, at, by: body.by }
  if (body.record === null) {
    if (!(await selectRecord(db, what, code))) throw notFound(`The shop has no ${what} “${code}”.`)
    const uses = await selectUses(db, what, code)
    if (uses.length > 0)
      throw no(
        `${code} is used by ${uses.slice(0, 4).join(', ')}${uses.length > 4 ? ' and more' : ''}. Change those first.`,
        'record',
      )
    await remove(db, what, code)
    await insertChange(db, { ...change, record: null })
    return version + 1
  }
  const read = v.safeParse(storeSchemas[what], body.record)
  if (!read.success) {
    const issue = read.issues[0]
    throw no(issueSentence(issue), v.getDotPath(issue) ?? 'record')
  }
  if (read.output.code !== code)
    throw no('A number cannot be changed: orders and sheets use it. Enter a new one.', 'code')
  await checkNamed(db, what, read.output)
  await writes[what](db, read.output as never)
  await insertChange(db, { ...change, record: read.output })
  return version + 1
}

// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function storeRoutes(
  plain: FastifyInstance,
  { services }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  const { pool } = services

  app.get(
    '/api/stores/:what',
    { schema: { params: StoresParams, querystring: StoresQuery, response: { 200: StoresAnswer } } },
    (request) => selectStores(pool, request.params.what, request.query),
  )
  app.get(
    '/api/stores/:what/:code',
    { schema: { params: StoreParams, response: { 200: StoreAnswer } } },
    async (request) => {
      const { what, code } = request.params
      const [version, record, usedBy, changes] = await Promise.all([
        selectVersion(pool, what, code),
        selectRecord(pool, what, code),
        selectUses(pool, what, code),
        selectChanges(pool, what, code),
      ])
      if (!record && version === 0) throw notFound(`The shop has no ${what} “${code}”.`)
      return { version, record, usedBy, changes }
    },
  )
  app.put(
    '/api/stores/:what/:code',
    { schema: { params: StoreParams, body: StoreBody, response: { 200: StoreSaved } } },
    (request) =>
      inTransaction(pool, async (client) => ({
        version: await save(client, request.params, request.body, services.clock().toISOString()),
      })),
  )
}
