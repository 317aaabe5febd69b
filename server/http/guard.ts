import { isCleanText, uncleanAt, UNCLEAN_SENTENCE } from '@ekrond/core/job'
import type { FastifyInstance, FastifyRequest } from 'fastify'
import { ProblemError } from './problem.ts'

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']
const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])

/** Names under which this server may be called: loopback's, and those that `EKROND_HOSTS` lists with commas. */
export const hostsFrom = (configured: string | undefined): ReadonlySet<string> =>
  new Set(
    [...LOOPBACK, ...(configured ?? '').split(',').map((name) => name.trim().toLowerCase())].filter(Boolean),
  )

const nameOf = (host: string) => host.toLowerCase().replace(/:\d+$/, '')

/**
 * Who may talk: the name that is called must be ours (a foreign page whose name leads here would read the shop), and whatever changes
 * or takes out must come from our own pages. What a text in the address cannot hold is turned away before anything reads it.
 */
export function guard(app: FastifyInstance, hosts: ReadonlySet<string>): void {
  app.addHook('onRequest', (request, _reply, done) => {
    done(refusedFor(request, hosts))
  })
  app.addHook('preValidation', (request, _reply, done) => {
    const unclean =
      uncleanAt(request.params, 'params') || uncleanAt(request.query, 'query') || !isCleanText(request.url)
    done(unclean ? new ProblemError(400, 'What was sent cannot be used', UNCLEAN_SENTENCE) : undefined)
  })
}

function refusedFor(request: FastifyRequest, hosts: ReadonlySet<string>): ProblemError | undefined {
  const { host, origin } = request.headers
  if (!host || !hosts.has(nameOf(host)))
    return new ProblemError(
      403,
      'Not under this name',
      'This server does not answer under that name. Call it by its own address, or list the name in EKROND_HOSTS.',
    )
  if (!request.url.startsWith('/api/')) return undefined
  const takesOut = /^\/api\/(export\.zip|jobs\/[^/]+\/(export\.json|sheet\.html))/.test(request.url)
  const foreign =
    request.headers['sec-fetch-site'] === 'cross-site' ||
    (origin !== undefined && !(hosts.has(hostOfOrigin(origin)) && origin.endsWith(`//${host}`)))
  return foreign && (CHANGES.has(request.method) || takesOut || origin !== undefined)
    ? new ProblemError(403, 'Not from there', 'Another page asked for this. Only Ekrond’s own pages may.')
    : undefined
}

function hostOfOrigin(origin: string): string {
  try {
    return new URL(origin).hostname
  } catch {
    return ''
  }
}
