import type { Problem } from '@ekrond/contract/problem'
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
  if (problem.status >= 500) request.log.error(error)
  void reply.code(problem.status).type('application/problem+json').serializer(JSON.stringify).send(problem)
}

function toProblem(error: FastifyError | ProblemError): Problem {
  const type = 'about:blank'
  if (error instanceof ProblemError) {
    const { title, status, detail, field } = error
    return { type, title, status, detail, ...(field ? { field } : {}) }
  }
  if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE')
    return {
      type,
      title: 'Too much at once',
      status: 413,
      detail: 'That is more than one request may carry. Send fewer entries.',
    }
  if (error.code === 'FST_ERR_CTP_INVALID_JSON_BODY' || error.code === 'FST_ERR_CTP_EMPTY_JSON_BODY')
    return {
      type,
      title: 'What was sent cannot be read',
      status: 400,
      detail: 'The request holds no readable JSON.',
    }
  const status = error.statusCode ?? 500
  if (status < 500) return { type, title: 'What was sent cannot be used', status, detail: error.message }
  return {
    type,
    title: 'The server failed',
    status: 500,
    detail:
      'The server failed at this. Nothing that you typed is lost; try again, and tell whoever looks after it.',
  }
}
