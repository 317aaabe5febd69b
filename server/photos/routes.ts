import { PhotoParams } from '@ekrond/contract/photos'
import type { FastifyInstance } from 'fastify'
import { createHash } from 'node:crypto'
import { notFound, ProblemError } from '../http/problem.ts'
import type { ValibotTypeProvider } from '../http/valibot.ts'
import type { Services } from '../services.ts'
import { insertPhotograph, selectPhotograph } from './photos.sql.ts'

/** A picture of 1600 px is a third of this; what is larger was not made by the page. */
const MOST_BYTES = 3 * 1024 * 1024
const JPEG_BEGINS = [0xff, 0xd8, 0xff]

/** Photographs by the SHA-256 of what they hold. They are taken in before the entry that names them, and never change. */
// oxlint-disable-next-line typescript/require-await -- fastify's plugins are async by contract
export async function photoRoutes(
  plain: FastifyInstance,
  { services: { pool, isPicture } }: { services: Services },
): Promise<void> {
  const app = plain.withTypeProvider<ValibotTypeProvider>()
  app.addContentTypeParser(
    'image/jpeg',
    { parseAs: 'buffer', bodyLimit: MOST_BYTES },
    (_request, body, done) => done(null, body),
  )

  app.put(
    '/api/photos/:hash',
    { bodyLimit: MOST_BYTES, schema: { params: PhotoParams } },
    async (request, reply) => {
      const picture = request.body
      if (!Buffer.isBuffer(picture) || !JPEG_BEGINS.every((byte, i) => picture[i] === byte))
        throw new ProblemError(
          400,
          'No picture',
          'That is not a picture format Ekrond stores. Take it again.',
        )
      const { hash } = request.params
      if (createHash('sha256').update(picture).digest('hex') !== hash)
        throw new ProblemError(400, 'Incomplete', 'The picture did not arrive complete. Send it again.')
      if (!(await isPicture(picture)))
        throw new ProblemError(400, 'No picture', 'This picture is damaged. Take it again.')
      await insertPhotograph(pool, hash, picture)
      return reply.code(204).send()
    },
  )

  app.get('/api/photos/:hash', { schema: { params: PhotoParams } }, async (request, reply) => {
    const picture = await selectPhotograph(pool, request.params.hash)
    if (!picture) throw notFound('There is no such picture here.')
    return reply
      .type('image/jpeg')
      .header('cache-control', 'private, max-age=31536000, immutable')
      .send(picture)
  })
}
