import {
  AppendAnswer,
  AppendBody,
  AppendParams,
  CustomersAnswer,
  CustomersQuery,
  EntriesAnswer,
  EntriesQuery,
  JobAnswer,
  JobParams,
  JobsAnswer,
  JobsQuery,
  SheetQuery,
  SheetsAnswer,
  SheetsOfJobAnswer,
  SheetsQuery,
} from '@ekrond/contract/jobs'
import { readNumber, checkLetter } from '@ekrond/core/log'
import { returnSheets } from '@ekrond/core/bench/return-sheet'
import { isOwnRevision, type BuildSheet, type SpecSheet } from '@ekrond/core/sheets'
import type { FastifyInstance } from 'fastify'
import { localDate } from '../clock.ts'
import { clip, notFound, ProblemError } from '../http/problem.ts'
import { sharedReads } from '../http/shared.ts'
import { answerText, serialised, type ValibotTypeProvider } from '../http/valibot.ts'
import { beforeAndAfter } from '../photos/before-after.ts'
import { customerPage } from '../reports/customer-page.ts'
import type { Services } from '../services.ts'
import { knownOf } from './known.ts'
import {
  selectCustomers,
  selectEntries,
  selectJobHead,
  selectJobs,
  selectReturnSheets,
  selectSheets,
  type JobsFilter,
} from './jobs.sql.ts'

// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function jobRoutes(plain: FastifyInstance, { services }: { services: Services }): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  const { pool, cache, clock } = services

  // Every window asks for the rack at the same moment, when an entry came: they share the reading and its text.
  const rack = sharedReads(async (query) => {
    const today = localDate(clock(), await services.zone())
    const found = await selectJobs(pool, JSON.parse(query) as JobsFilter, today)
    return answerText(JobsAnswer, { ...found, today })
  })

  app.get(
    '/api/jobs',
    { schema: { querystring: JobsQuery, response: { 200: JobsAnswer } } },
    async (request, reply) =>
      reply
        .type('application/json; charset=utf-8')
        .send(serialised(await rack(JSON.stringify(request.query)))),
  )

  app.get(
    '/api/jobs/:number',
    { schema: { params: JobParams, response: { 200: JobAnswer } } },
    async (request) => {
      const head = await headOf(request.params.number)
      const state = await cache.state(pool, head.job)
      const [sheets, known] = await Promise.all([cache.asPrinted(pool, state), knownOf(pool, state)])
      return {
        known: known as JobAnswer['known'],
        job: head.job,
        number: head.number,
        letter: checkLetter(head.number),
        seq: state.seq,
        entries: [...state.log],
        // A taught body's are made from its log, wherever that is read.
        sheets: Object.fromEntries(
          Object.entries(sheets).filter(([, own]) => own && !isOwnRevision(own.specRev)),
        ) as JobAnswer['sheets'],
      }
    },
  )

  app.get(
    '/api/jobs/:number/entries',
    { schema: { params: JobParams, querystring: EntriesQuery, response: { 200: EntriesAnswer } } },
    async (request) => {
      const head = await headOf(request.params.number)
      const entries = await selectEntries(pool, head.job, request.query.after)
      return { entries, seq: entries.at(-1)?.seq ?? head.seq }
    },
  )

  app.post(
    '/api/jobs/:job/entries',
    { schema: { params: AppendParams, body: AppendBody, response: { 200: AppendAnswer } } },
    async (request) => services.appender.append(request.params.job, request.body.entries),
  )

  app.get(
    '/api/customers',
    { schema: { querystring: CustomersQuery, response: { 200: CustomersAnswer } } },
    (request) => selectCustomers(pool, request.query.q, 8),
  )

  app.get(
    '/api/sheets',
    { schema: { querystring: SheetsQuery, response: { 200: SheetsAnswer } } },
    async (request) => {
      const sheets = await selectSheets(pool, request.query.spec, request.query.build)
      if (!sheets) throw notFound('The library has no such revisions.')
      return sheets
    },
  )

  /** The sheets that went out, by revision. */
  app.get(
    '/api/jobs/:number/sheets',
    { schema: { params: JobParams, response: { 200: SheetsOfJobAnswer } } },
    async (request) => {
      const head = await headOf(request.params.number)
      return { sheets: await selectReturnSheets(pool, head.job) }
    },
  )

  app.get(
    '/api/jobs/:number/sheet',
    { schema: { params: JobParams, querystring: SheetQuery } },
    async (request) => (await sheetOf(request.params.number, request.query.revision)).pages,
  )

  app.get(
    '/api/jobs/:number/sheet.pdf',
    { schema: { params: JobParams, querystring: SheetQuery } },
    async (request, reply) => {
      const { head, pages } = await sheetOf(request.params.number, request.query.revision)
      const shop = await services.shop()
      const { returnedAt } = pages[0]!
      const pdf = await services.renderSheet(pages, {
        shop: `${shop.name}, ${shop.place}`,
        currency: shop.currency,
        warrantyDays: shop.warrantyDays,
        photos: await beforeAndAfter(pool, await cache.state(pool, head.job)),
        date: localDate(returnedAt ? new Date(returnedAt) : clock(), shop.zone),
      })
      return reply
        .type('application/pdf')
        .header('content-disposition', `inline; filename="return-sheet-${head.number}.pdf"`)
        .send(pdf)
    },
  )

  /** The same sheet as one file for the customer, which works without a network. */
  app.get(
    '/api/jobs/:number/sheet.html',
    { schema: { params: JobParams, querystring: SheetQuery } },
    async (request, reply) => {
      const { head, pages } = await sheetOf(request.params.number, request.query.revision)
      const shop = await services.shop()
      const { returnedAt } = pages[0]!
      const state = await cache.state(pool, head.job)
      const photos = await beforeAndAfter(pool, state)
      const page = customerPage(
        pages,
        {
          shop: `${shop.name}, ${shop.place}`,
          currency: shop.currency,
          warrantyDays: shop.warrantyDays,
          date: localDate(returnedAt ? new Date(returnedAt) : clock(), shop.zone),
        },
        photos,
      )
      return reply
        .type('text/html; charset=utf-8')
        .header('content-disposition', `attachment; filename="return-sheet-${head.number}.html"`)
        .send(page)
    },
  )

  app.get('/api/jobs/:number/label.pdf', { schema: { params: JobParams } }, async (request, reply) => {
    const head = await headOf(request.params.number)
    const { opened } = await cache.state(pool, head.job)
    const { labelPdf } = await import('../reports/label.ts')
    const pdf = await labelPdf({
      number: head.number,
      customer: opened!.customer,
      equipment: opened!.equipment,
      promise: opened!.promise,
    })
    return reply
      .type('application/pdf')
      .header('content-disposition', `inline; filename="label-${head.number}.pdf"`)
      .send(pdf)
  })

  app.get('/api/jobs/:number/export.json', { schema: { params: JobParams } }, async (request, reply) => {
    const head = await headOf(request.params.number)
    const state = await cache.state(pool, head.job)
    const sheets = await cache.sheets(pool, state)
    return reply.header('content-disposition', `attachment; filename="job-${head.number}.json"`).send({
      format: 1,
      job: head.job,
      number: head.number,
      entries: state.log,
      revisions: Object.fromEntries<SpecSheet | BuildSheet>(
        Object.values(sheets).flatMap((own): [string, SpecSheet | BuildSheet][] =>
          own
            ? [
                [own.specRev, own.spec],
                [own.buildRev, own.build],
              ]
            : [],
        ),
      ),
    })
  })

  async function headOf(key: string) {
    if (!/^[0-9a-f]{8}-[0-9a-f-]{27}$/i.test(key)) {
      const read = readNumber(key)
      if (!read || read.number > 2147483647)
        throw new ProblemError(404, 'Not found', `“${clip(key)}” is not a job number.`, 'number')
      if (!read.letterFits)
        throw new ProblemError(
          404,
          'Check letter wrong',
          `${key}: the check letter does not match that number. Read the label again.`,
          'number',
        )
      const head = await selectJobHead(pool, String(read.number))
      if (!head) throw notFound(`There is no job ${read.number} here.`)
      return head
    }
    const head = await selectJobHead(pool, key)
    if (!head) throw notFound('There is no such job here.')
    return head
  }

  /** A sheet that went out by its revision; without one, the sheet as the job stands. */
  async function sheetOf(key: string, revision: string | undefined) {
    const head = await headOf(key)
    if (revision) {
      const kept = (await selectReturnSheets(pool, head.job)).findLast((sheet) => sheet.revision === revision)
      if (!kept) throw notFound(`Job ${head.number} has no sheet of revision ${revision}.`)
      return { head, pages: kept.document }
    }
    const state = await cache.state(pool, head.job)
    if (state.closed?.why === 'not serviced')
      throw new ProblemError(409, 'No sheet', 'The job was closed, not serviced. It has no sheet.')
    const pages = returnSheets(state, await cache.sheets(pool, state), head.number)
    if (pages.length === 0)
      throw new ProblemError(409, 'No sheet yet', 'There is no sheet until the carburetor is identified.')
    return { head, pages }
  }
}
