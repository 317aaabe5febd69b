import fastifyStatic from '@fastify/static'
import type { FastifyInstance } from 'fastify'
import { existsSync, statSync } from 'node:fs'
import { join, normalize } from 'node:path'
import { ProblemError, clip, notFound } from './problem.ts'

export interface PageFolders {
  /** the built pages */
  web: string
  /** what earlier builds had under the same address: a window that is open since then goes on */
  earlier?: string
}

const isFile = (path: string): boolean => existsSync(path) && statSync(path).isFile()

/** A name below a folder; undefined where it leads out of it. */
const below = (name: string): string | undefined => {
  const path = normalize(name)
  return path.startsWith('..') || path.startsWith('/') ? undefined : path
}

/**
 * The built pages: hashed files for ever, the page itself asked for each time. A file that is not there is said so: answered with the
 * page, a window would keep it in the file's place.
 */
export async function servePages(app: FastifyInstance, { web, earlier }: PageFolders): Promise<void> {
  await app.register(fastifyStatic, {
    root: web,
    serve: false,
    preCompressed: true,
    setHeaders: (reply, path) =>
      void reply.header(
        'cache-control',
        /[\\/]assets[\\/]/.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
      ),
  })
  const page = { config: { page: true }, schema: { hide: true } }
  app.get<{ Params: { '*': string } }>('/assets/*', page, (request, reply) => {
    const name = below(join('assets', request.params['*']))
    const folder = [web, ...(earlier ? [earlier] : [])].find((one) => name && isFile(join(one, name)))
    if (!name?.startsWith('assets') || !folder) throw notFound('Ekrond was updated. Reload the window.')
    return reply.sendFile(name, folder)
  })
  app.get<{ Params: { '*': string } }>('/*', page, (request, reply) => {
    const name = below(request.params['*'])
    if (name && name !== '.' && isFile(join(web, name))) return reply.sendFile(name)
    // Every address of the pages is one page; what looks like a file or the API and is not there is neither.
    if (/^api(\/|$)/i.test(name ?? '') || /\.[a-z0-9]{1,5}$/i.test(name ?? '')) throw nothingAt(request.url)
    return reply.type('text/html').sendFile('index.html')
  })
}

export const nothingAt = (url: string) =>
  new ProblemError(404, 'Not found', `There is no page at “${clip(url)}”.`)
