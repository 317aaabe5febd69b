import {
  CatalogueAnswer,
  CorrectionAnswer,
  CopyBody,
  CorrectionBody,
  MeasuredBody,
  ListNumberFile,
  MergeBody,
  NumberDone,
  SupersedeBody,
  TakeInBody,
  TakenIn,
  ListNumberAnswer,
  ListNumberParams,
  ListNumbersAnswer,
  ListNumbersQuery,
  MarketAnswer,
  ModelAnswer,
  ModelParams,
  RelativesAnswer,
  RelativesQuery,
  RevisionsAnswer,
} from '@ekrond/contract/library'
import type { FastifyInstance } from 'fastify'
import { inTransaction } from '../db/pool.ts'
import { notFound } from '../http/problem.ts'
import { serialised, type ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { copy, merge, supersede } from './numbers.ts'
import { correct, measured, takeIn } from './publish.ts'
import {
  selectCandidates,
  selectListNumber,
  selectListNumbers,
  selectMarketText,
  selectModel,
  selectRelatives,
  selectRevisions,
} from './library.sql.ts'

// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function libraryRoutes(
  plain: FastifyInstance,
  { services }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  const { pool } = services

  app.get('/api/catalogue', { schema: { response: { 200: CatalogueAnswer } } }, async (_request, reply) =>
    reply.type('application/json; charset=utf-8').send(serialised(await selectCandidates(pool))),
  )
  app.get(
    '/api/list-numbers',
    { schema: { querystring: ListNumbersQuery, response: { 200: ListNumbersAnswer } } },
    (request) => selectListNumbers(pool, request.query),
  )
  app.get(
    '/api/models/:model',
    { schema: { params: ModelParams, response: { 200: ModelAnswer } } },
    (request) => selectModel(pool, request.params.model),
  )
  app.get(
    '/api/list-numbers/:listNumber',
    { schema: { params: ListNumberParams, response: { 200: ListNumberAnswer } } },
    async (request) => {
      const found = await selectListNumber(pool, request.params.listNumber)
      if (!found) throw notFound(`The library has no list number “${request.params.listNumber}”.`)
      return found
    },
  )
  app.get(
    '/api/list-numbers/:listNumber/revisions',
    { schema: { params: ListNumberParams, response: { 200: RevisionsAnswer } } },
    (request) => selectRevisions(pool, request.params.listNumber),
  )
  app.get(
    '/api/relatives',
    { schema: { querystring: RelativesQuery, response: { 200: RelativesAnswer } } },
    (request) => selectRelatives(pool, request.query),
  )
  app.post(
    '/api/list-numbers/:listNumber/corrections',
    { schema: { params: ListNumberParams, body: CorrectionBody, response: { 200: CorrectionAnswer } } },
    (request) =>
      inTransaction(pool, async (client) => ({
        specRev: await correct(client, request.params.listNumber, request.body),
      })),
  )
  app.post(
    '/api/list-numbers/:listNumber/measured',
    { schema: { params: ListNumberParams, body: MeasuredBody, response: { 200: CorrectionAnswer } } },
    (request) =>
      inTransaction(pool, async (client) => ({
        specRev: await measured(client, request.params.listNumber, request.body),
      })),
  )
  const now = () => services.clock().toISOString()
  app.post(
    '/api/list-numbers/:listNumber/copies',
    { schema: { params: ListNumberParams, body: CopyBody, response: { 200: NumberDone } } },
    (request) =>
      inTransaction(pool, async (client) => {
        await copy(client, request.params.listNumber, request.body, now())
        return { listNumber: request.body.as }
      }),
  )
  app.post(
    '/api/list-numbers/:listNumber/supersedes',
    { schema: { params: ListNumberParams, body: SupersedeBody, response: { 200: NumberDone } } },
    (request) =>
      inTransaction(pool, async (client) => {
        await supersede(client, request.params.listNumber, request.body, now())
        return { listNumber: request.params.listNumber }
      }),
  )
  app.post(
    '/api/list-numbers/:listNumber/merge',
    { schema: { params: ListNumberParams, body: MergeBody, response: { 200: NumberDone } } },
    (request) =>
      inTransaction(pool, async (client) => {
        await merge(client, request.params.listNumber, request.body, now())
        return { listNumber: request.body.into ?? request.params.listNumber }
      }),
  )
  app.get(
    '/api/list-numbers/:listNumber/file',
    { schema: { params: ListNumberParams, response: { 200: ListNumberFile } } },
    async (request, reply) => {
      const found = await selectListNumber(pool, request.params.listNumber)
      if (!found) throw notFound(`The library has no list number “${request.params.listNumber}”.`)
      const { listNumber, maker, modelName, mark, features, sheets } = found
      void reply.header(
        'content-disposition',
        `attachment; filename*=UTF-8''${encodeURIComponent(listNumber)}.json`,
      )
      const { spec, build } = sheets
      return {
        format: 1 as const,
        what: 'list number' as const,
        listNumber,
        maker,
        modelName,
        mark,
        features,
        spec,
        build,
      }
    },
  )
  app.post('/api/list-numbers', { schema: { body: TakeInBody, response: { 200: TakenIn } } }, (request) =>
    inTransaction(pool, async (client) => {
      await takeIn(client, request.body.file, request.body.by)
      return { listNumber: request.body.file.listNumber }
    }),
  )
  app.get('/api/market', { schema: { response: { 200: MarketAnswer } } }, async (_request, reply) =>
    reply.type('application/json; charset=utf-8').send(serialised(await selectMarketText(pool))),
  )
}
