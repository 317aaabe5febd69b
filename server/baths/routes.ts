import { BathsAnswer } from '@ekrond/contract/baths'
import { bathItems } from '@ekrond/core/plan/baths'
import type { FastifyInstance } from 'fastify'
import { sharedReads } from '../http/shared.ts'
import { answerText, serialised, type ValibotTypeProvider } from '../http/valibot.ts'
import { selectJobsApart } from '../jobs/jobs.sql.ts'
import type { Services } from '../services.ts'

/** So many jobs that are apart are looked at, those that are promised soonest. */
const MOST_JOBS = 80

/** The bath over all jobs: each job's log says what of it is off, in the bath or drying. */
// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function bathRoutes(
  plain: FastifyInstance,
  { services: { pool, cache, clock } }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  const baths = sharedReads(async () => {
    const jobs = await selectJobsApart(pool)
    const now = clock().getTime()
    const items = []
    for (const { job, number } of jobs.slice(0, MOST_JOBS)) {
      const state = await cache.state(pool, job)
      items.push(...bathItems(state, await cache.sheets(pool, state), number, now))
    }
    return answerText(BathsAnswer, { items, left: Math.max(0, jobs.length - MOST_JOBS) })
  })

  app.get('/api/baths', { schema: { response: { 200: BathsAnswer } } }, async (_request, reply) =>
    reply.type('application/json; charset=utf-8').send(serialised(await baths(''))),
  )
}
