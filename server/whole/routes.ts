import { ImportAnswer, ImportBody } from '@ekrond/contract/library'
import type { FastifyInstance } from 'fastify'
import * as v from 'valibot'
import { ProblemError } from '../http/problem.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import { previewCatalogue, writeCatalogue } from '../import/write.ts'
import type { Services } from '../services.ts'
import { localDate } from '../clock.ts'
import { exportShop } from './export.ts'
import { packed } from './pack.ts'

/** The whole shop goes out, or a catalogue comes in, for so many at once. */
const MOST_AT_ONCE = 2

const MOST_IMPORT_BYTES = 32 * 1024 * 1024

// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function wholeRoutes(
  plain: FastifyInstance,
  { services }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  const { long: pool } = services
  let busy = 0
  const begin = () => {
    if (busy >= MOST_AT_ONCE)
      throw new ProblemError(
        503,
        'Too much at once',
        'The whole shop is being read or written by others already. Ask again in a moment.',
      )
    busy++
    let ended = false
    return () => {
      if (!ended) busy--
      ended = true
    }
  }

  /** The whole shop, packed: the same files as `npm run export`. */
  app.get('/api/export.zip', { schema: { hide: true } }, async (_request, reply) => {
    const end = begin()
    const now = services.clock()
    const head = `shop-${localDate(now, await services.zone().catch((error: Error) => (end(), Promise.reject(error))))}`
    const zip = packed(exportShop(pool, now), `${head}/`)
    // A download that is broken off ends here too.
    zip.once('close', end)
    return reply
      .type('application/zip')
      .header('content-disposition', `attachment; filename="${head}.zip"`)
      .send(zip)
  })

  /** A catalogue as files: what it would change, or taken in. Faults change nothing. */
  app.post(
    '/api/import',
    { bodyLimit: MOST_IMPORT_BYTES, schema: { body: ImportBody, response: { 200: ImportAnswer } } },
    async ({ body }) => {
      const end = begin()
      try {
        return await taken(body)
      } finally {
        end()
      }
    },
  )

  async function taken(body: v.InferOutput<typeof ImportBody>) {
    const read = await services.readCatalogue(body.files)
    if ('errors' in read) return { taken: false, errors: read.errors, preview: null }
    const written = body.take
      ? await writeCatalogue(pool, read.catalogue)
      : await previewCatalogue(pool, read.catalogue)
    return {
      taken: body.take,
      errors: [],
      preview: {
        listNumbers: read.catalogue.listNumbers.length,
        parts: read.catalogue.tables['parts.csv'].length,
        kits: read.catalogue.tables['kits.csv'].length,
        newListNumbers: written.newListNumbers,
        changed: written.changed,
      },
    }
  }
}
