import helmet from '@fastify/helmet'
import swagger from '@fastify/swagger'
import Fastify, { type FastifyInstance } from 'fastify'
import { callersFrom, guard, type Callers } from './http/guard.ts'
import { nothingAt, servePages, type PageFolders } from './http/pages.ts'
import { answerProblem, answerUnreadable } from './http/problem.ts'
import { asJsonSchema, useValibot } from './http/valibot.ts'
import { jobRoutes } from './jobs/routes.ts'
import { libraryRoutes } from './library/routes.ts'
import { benchRoutes } from './bench/relay.ts'
import { bathRoutes } from './baths/routes.ts'
import { photoRoutes } from './photos/routes.ts'
import { liveRoutes, type Live } from './live/events.ts'
import { outcomeRoutes } from './outcomes/routes.ts'
import type { Services } from './services.ts'
import { shopRoutes } from './shop/routes.ts'
import { storeRoutes } from './stores/routes.ts'
import { wholeRoutes } from './whole/routes.ts'

export interface AppOptions {
  services: Services
  live?: Live
  /** the built pages; without them only the API is served */
  pages?: PageFolders
  /** the build that is served; windows of another one are told */
  version?: string
  log?: boolean
  /** names under which it may be called, beside loopback's */
  callers?: Callers
}

/** The server: the API under /api, the built pages beside it. It keeps no state of its own but pure caches. */
export async function buildApp({
  services,
  live,
  pages,
  version = '',
  log = false,
  callers = callersFrom(undefined),
}: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger: log ? { level: 'warn' } : false,
    forceCloseConnections: true,
    bodyLimit: 2 * 1024 * 1024,
    routerOptions: { maxParamLength: 200 },
    frameworkErrors: answerProblem,
    clientErrorHandler: answerUnreadable,
  })
  useValibot(app)
  app.setErrorHandler(answerProblem)
  guard(app, callers)
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        'default-src': ["'self'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'font-src': ["'self'", 'data:'],
        'img-src': ["'self'", 'data:', 'blob:'],
        'upgrade-insecure-requests': null,
      },
    },
    hsts: false,
  })
  await app.register(swagger, {
    openapi: { info: { title: 'Ekrond', version: '0.1.0', description: 'The bench of a carburetor shop.' } },
    transform: ({ schema, url }) => ({ schema: asJsonSchema(schema as Record<string, unknown>), url }),
  })
  await app.register(shopRoutes, { services })
  await app.register(storeRoutes, { services })
  await app.register(libraryRoutes, { services })
  await app.register(jobRoutes, { services })
  await app.register(photoRoutes, { services })
  await app.register(bathRoutes, { services })
  await app.register(outcomeRoutes, { services })
  await benchRoutes(app)
  await app.register(wholeRoutes, { services })
  app.get('/api/openapi.json', { schema: { hide: true } }, () => app.swagger())
  if (live) liveRoutes(app, live, version)

  if (pages) await servePages(app, pages)
  app.setNotFoundHandler((request) => {
    throw nothingAt(request.url)
  })
  return app
}
