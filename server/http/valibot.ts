import { toJsonSchema } from '@valibot/to-json-schema'
import { inOurWords, issueSentence } from '@ekrond/core/log'
import type { FastifyInstance, FastifyTypeProvider } from 'fastify'
import * as v from 'valibot'
import { ProblemError } from './problem.ts'

/** One Valibot schema for types, checks and OpenAPI. */
export interface ValibotTypeProvider extends FastifyTypeProvider {
  validator: this['schema'] extends v.GenericSchema ? v.InferOutput<this['schema']> : unknown
  serializer: this['schema'] extends v.GenericSchema ? v.InferInput<this['schema']> : unknown
}

export function useValibot(app: FastifyInstance): void {
  app.setValidatorCompiler<v.GenericSchema>(({ schema }) => (value) => {
    const read = v.safeParse(schema, value, inOurWords)
    if (read.success) return { value: read.output }
    const issue = read.issues[0]
    const field = v.getDotPath(issue) ?? undefined
    return {
      error: new ProblemError(400, 'Invalid request', issueSentence(issue), field),
    }
  })
  app.setSerializerCompiler<v.GenericSchema>(
    ({ schema }) =>
      (value) =>
        answerText(schema, value),
  )
}

/** An answer as it goes out, held to its contract. */
export function answerText(schema: v.GenericSchema, value: unknown): string {
  const read = v.safeParse(schema, value)
  if (!read.success)
    throw new Error(
      `the answer breaks its contract at ${v.getDotPath(read.issues[0]) ?? 'its root'}: ${read.issues[0].message}`,
    )
  return JSON.stringify(read.output)
}

/** A text that `answerText` made, for a route whose answer it is: fastify sends text of the type JSON as it stands. */
export const serialised = (text: string) => text as never

/** A route's schema with each Valibot part as JSON schema, for OpenAPI. */
export function asJsonSchema(schema: Record<string, unknown>): Record<string, unknown> {
  const convert = (part: unknown, typeMode: 'input' | 'output') =>
    toJsonSchema(part as v.GenericSchema, { target: 'openapi-3.0', typeMode, errorMode: 'ignore' })
  const result: Record<string, unknown> = {}
  for (const [key, value] of Object.entries(schema)) {
    if (['body', 'querystring', 'params', 'headers'].includes(key)) result[key] = convert(value, 'input')
    else if (key === 'response')
      result[key] = Object.fromEntries(
        Object.entries(value as Record<string, unknown>).map(([status, part]) => [
          status,
          convert(part, 'output'),
        ]),
      )
    else result[key] = value
  }
  return result
}
