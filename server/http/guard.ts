import { isCleanText, uncleanAt, UNCLEAN_SENTENCE } from '@ekrond/core/log'
import type { FastifyInstance, FastifyRequest } from 'fastify'
import { ProblemError } from './problem.ts'

declare module 'fastify' {
  interface FastifyInstance {
    /** every route that was made, also those that no description lists */
    everyRoute: readonly { method: string; url: string }[]
  }
  interface FastifyContextConfig {
    /** a page of ours, or what it is made of: it holds nothing of the shop */
    page?: boolean
  }
}

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']

/** Under which names a server answers, and from which pages beside those of its own address. */
export interface Callers {
  names: ReadonlySet<string>
  /** origins of a proxy that speaks another scheme than we do */
  origins: ReadonlySet<string>
}

/**
 * Loopback's names, and what `EKROND_HOSTS` lists with commas: names (`bench.shop.lan`), or where a proxy speaks TLS for us the address
 * that its pages have (`https://bench.shop.lan`).
 */
export function callersFrom(configured: string | undefined): Callers {
  const names = new Set(LOOPBACK)
  const origins = new Set<string>()
  for (const one of (configured ?? '').split(',').map((text) => text.trim().toLowerCase())) {
    if (!one) continue
    const url = one.includes('://') ? urlOf(one) : undefined
    if (url) origins.add(url.origin)
    names.add(url?.hostname ?? one)
  }
  return { names, origins }
}

function urlOf(text: string): URL | undefined {
  try {
    return new URL(text)
  } catch {
    return undefined
  }
}

const nameOf = (host: string) => host.toLowerCase().replace(/:\d+$/, '')

/**
 * Who may talk: the name that is called must be ours (a foreign page whose name leads here would read the shop), and whoever asks for
 * anything but a page must come from our own pages, or be no page at all. It is decided on the route that answers, never on how its
 * address was spelt; what has no route of its own is guarded like the rest. What a text in the address cannot hold is turned away before
 * anything reads it.
 */
export function guard(app: FastifyInstance, callers: Callers): void {
  const routes: { method: string; url: string }[] = []
  app.decorate('everyRoute', routes)
  app.addHook('onRoute', ({ method, url }) => {
    for (const one of [method].flat()) routes.push({ method: one, url })
  })
  app.addHook('onRequest', (request, _reply, done) => {
    done(refusedFor(request, callers))
  })
  app.addHook('preValidation', (request, _reply, done) => {
    const unclean =
      uncleanAt(request.params, 'params') || uncleanAt(request.query, 'query') || !isCleanText(request.url)
    done(unclean ? new ProblemError(400, 'Invalid request', UNCLEAN_SENTENCE) : undefined)
  })
}

function refusedFor(request: FastifyRequest, { names, origins }: Callers): ProblemError | undefined {
  const { host } = request.headers
  if (!host || !names.has(nameOf(host)))
    return new ProblemError(
      403,
      'Unknown host name',
      'This server does not answer to that name. Use its own address, or list the name in EKROND_HOSTS.',
    )
  return isPage(request) || isOurs(request, origins)
    ? undefined
    : new ProblemError(403, 'Request refused', 'Another website asked for this. Only Ekrond’s own pages may.')
}

/** The pages themselves may be asked for from anywhere: a link in a letter opens the shop. They hold nothing of it. */
const isPage = ({ method, routeOptions }: FastifyRequest): boolean =>
  (method === 'GET' || method === 'HEAD') && routeOptions.config.page === true

/** Whether no page of somebody else asks: what a browser says of where it comes from, as far as it says anything. */
function isOurs({ headers, protocol }: FastifyRequest, origins: ReadonlySet<string>): boolean {
  const own = (origin: string) => origin === `${protocol}://${headers.host!}` || origins.has(origin)
  const site = headers['sec-fetch-site']
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false
  if (headers.origin !== undefined) return own(headers.origin)
  // Over plain HTTP a browser says only which page led here.
  const referer = headers.referer === undefined ? undefined : urlOf(headers.referer)
  return headers.referer === undefined || (referer !== undefined && own(referer.origin))
}
