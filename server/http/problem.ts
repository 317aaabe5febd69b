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

export const notFound = (detail: string) => new ProblemError(404, 'Not here', detail)

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
  400: ['What was sent cannot be used', 'The request cannot be read as it was sent.'],
  403: ['Not open', 'That is not open to anybody.'],
  404: ['Not here', 'There is nothing at that address.'],
  405: ['Not done so', 'That address does not take this kind of request.'],
  408: ['Too slow', 'The request did not come to its end in time. Send it again.'],
  413: ['Too much at once', 'That is more than one request may carry. Send fewer entries.'],
  414: ['Too long an address', 'That address is longer than any of ours.'],
  415: ['Not that kind', 'Only JSON is taken here.'],
  431: ['Too much beside it', 'The request’s headers are larger than we read.'],
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
        'A page of the shop’s data on this disk is damaged, and what stands in it cannot be read. Stop work, keep the disk as it is, and restore the newest backup into a new folder (README, Keeping your shop).',
    }
  const away = isDatabaseAway(error)
  // A full disk takes PostgreSQL down with it.
  if (error.code === '53100' || (away && diskRoom().state === 'full'))
    return {
      type,
      title: 'The disk is full',
      status: 503,
      detail: 'The disk of the shop’s data is full. Make room; what you typed is kept and goes on by itself.',
    }
  if (away)
    return {
      type,
      title: 'The database is away',
      status: 503,
      detail: 'The database cannot be reached just now. What you typed is kept; it goes on by itself.',
    }
  if (error.code === '57014')
    return {
      type,
      title: 'Too slow',
      status: 503,
      detail: 'The database took too long over this. Ask again in a moment.',
    }
  // A value that the database has no room for: no route should let one through.
  if (/^22/.test(error.code) && !error.statusCode)
    return {
      type,
      title: 'What was sent cannot be used',
      status: 400,
      detail: 'A value in it cannot be kept.',
    }
  const status = error.statusCode ?? 500
  const known = FRAMEWORK[status]
  if (known) return { type, title: known[0], status, detail: known[1] }
  if (status < 500) return { type, title: 'Not done', status, detail: 'The request cannot be answered.' }
  return {
    type,
    title: 'The server failed',
    status: 500,
    detail:
      'The server failed at this. Nothing that you typed is lost; try again, and tell whoever looks after it.',
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
