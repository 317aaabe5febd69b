import { OutcomesAnswer, OutcomesQuery } from '@ekrond/contract/outcomes'
import type { FastifyInstance } from 'fastify'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { selectOutcomes } from './outcomes.sql.ts'

/** What this shop has seen complaints come of: it sharpens the table of causes. */
// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function outcomeRoutes(
  plain: FastifyInstance,
  { services: { pool } }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  app.get(
    '/api/outcomes',
    { schema: { querystring: OutcomesQuery, response: { 200: OutcomesAnswer } } },
    (request) => selectOutcomes(pool, request.query.listNumber ?? null),
  )
}
