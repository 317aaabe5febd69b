import * as v from 'valibot'
import { PersonName, SomeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    passes: Readonly<
      Record<string, { why: string; second: string | null; by: string; at: string; value: string | null }>
    >
  }
}

export const gatePassed = defineKind({
  kind: 'gate.passed',
  version: 1,
  station: 'return',
  slice: { job: { passes: {} } },
  schema: v.object({
    point: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
    why: SomeWords,
    /** null in a shop of one, which signs alone */
    second: v.nullable(PersonName),
    /** what was seen and let pass: another value opens it again; passes of before name none */
    value: v.optional(v.nullable(v.pipe(v.string(), v.maxLength(8000)))),
  }),
  key: (data) => data.point,
  apply: (state, { data, by, at }) => ({
    ...state,
    passes: {
      ...state.passes,
      [data.point]: { why: data.why, second: data.second, by, at, value: data.value ?? null },
    },
  }),
  sentence: (data, name) =>
    `let ${name(data.point.replace(/^\w+:/, ''))} pass ${data.second ? `with ${data.second}` : 'alone, in a shop of one'}: ${data.why}`,
})

/** Who answers for a pass, as paper and screen say it. Nobody signs in yet: a second name is a name, no signature. */
export const signedBy = ({ by, second }: { by: string; second: string | null }): string =>
  second ? `${by} with ${second}, name only` : `${by}, signed by one person`
