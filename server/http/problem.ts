import type { Problem } from '@ekrond/contract/problem'
import { isDatabaseAway } from '../db/pool.ts'
import { diskRoom } from '../shop/disk.ts'
import type { Socket } from 'node:net'
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify'

/** An error that goes out as problem+json with a sentence. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly field?: string,
  ) {
    super(detail)
  }
}

export const notFound = (detail: string) => new ProblemError(404, 'Not found', detail)

export function answerProblem(
  error: FastifyError | ProblemError,
  request: FastifyRequest,
  reply: FastifyReply,
): void {
  const problem = toProblem(error)
  // What passes by itself (the database away, the disk full) is told on screen, not a stack a request.
  if (problem.status >= 500 && problem.status !== 503) request.log.error(error)
  void reply.code(problem.status).type('application/problem+json').serializer(JSON.stringify).send(problem)
}

/** What the framework says no to, in words of our own. */
const FRAMEWORK: Record<number, [title: string, detail: string]> = {
  400: ['Invalid request', 'The request cannot be read.'],
  403: ['Not open', 'That is not open to anybody.'],
  404: ['Not found', 'There is no page at that address.'],
  405: ['Not allowed', 'That address does not accept this kind of request.'],
  408: ['Too slow', 'The request took too long. Send it again.'],
  413: ['Too much at once', 'The request is too large. Send fewer entries.'],
  414: ['Too long an address', 'That address is too long.'],
  415: ['Not that kind', 'Only JSON is accepted here.'],
  431: ['Too much beside it', 'The request’s headers are too large.'],
}

function toProblem(error: FastifyError | ProblemError): Problem {
  const type = 'about:blank'
  if (error instanceof ProblemError) {
    const { title, status, detail, field } = error
    return { type, title, status, detail: clip(detail), ...(field ? { field: clip(field) } : {}) }
  }
  if (error.code === 'XX001' || error.code === 'XX002')
    return {
      type,
      title: 'The data is damaged',
      status: 500,
      detail:
        'Part of the shop’s data on this disk is damaged and cannot be read. Stop work, leave the disk as it is, and restore the newest backup into a new folder (README, Keeping your shop).',
    }
  const away = isDatabaseAway(error)
  // A full disk takes PostgreSQL down with it.
  if (error.code === '53100' || (away && diskRoom().state === 'full'))
    return {
      type,
      title: 'The disk is full',
      status: 503,
      detail:
        'The disk with the shop’s data is full. Free some space. What you typed is kept and is sent by itself.',
    }
  if (away)
    return {
      type,
      title: 'Database unavailable',
      status: 503,
      detail: 'The database cannot be reached right now. What you typed is kept and is sent by itself.',
    }
  if (error.code === '57014')
    return {
      type,
      title: 'Too slow',
      status: 503,
      detail: 'The database took too long. Try again in a moment.',
    }
  // A value that the database has no room for: no route should let one through.
  if (/^22/.test(error.code) && !error.statusCode)
    return {
      type,
      title: 'Invalid request',
      status: 400,
      detail: 'A value in it cannot be stored.',
    }
  const status = error.statusCode ?? 500
  const known = FRAMEWORK[status]
  if (known) return { type, title: known[0], status, detail: known[1] }
  if (status < 500) return { type, title: 'Failed', status, detail: 'The request failed.' }
  return {
    type,
    title: 'The server failed',
    status: 500,
    detail: 'The server failed. Nothing you typed is lost. Try again, and tell whoever looks after Ekrond.',
  }
}

const MOST_ECHOED = 200

/** What somebody sent is not sent back at length. */
export const clip = (text: string): string =>
  text.length > MOST_ECHOED ? `${text.slice(0, MOST_ECHOED)} …` : text

/** A connection whose request cannot even be read: answered by hand, since no reply exists for it. */
export function answerUnreadable(error: Error & { code?: string }, socket: Socket): void {
  if (!socket.writable) return void socket.destroy()
  const status =
    error.code === 'HPE_HEADER_OVERFLOW' ? 431 : error.code === 'ERR_HTTP_REQUEST_TIMEOUT' ? 408 : 400
  const [title, detail] = FRAMEWORK[status]!
  const body = JSON.stringify({ type: 'about:blank', title, status, detail })
  socket.end(
    `HTTP/1.1 ${status} ${title}\r\ncontent-type: application/problem+json\r\ncontent-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`,
  )
}
