import * as v from 'valibot'
import { Person, refusal, SomeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

export const gatePassed = defineKind({
  kind: 'gate.passed',
  version: 1,
  station: 'return',
  schema: v.object({
    point: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
    why: SomeWords,
    second: Person,
  }),
  key: (data) => data.point,
  admit: (_state, { data, by }) =>
    data.second === by
      ? refusal('second', 'The second name must be somebody else’s: two people let it pass.', 'second')
      : undefined,
  apply: (state, { data, by, at }) => ({
    ...state,
    passes: { ...state.passes, [data.point]: { why: data.why, second: data.second, by, at } },
  }),
  sentence: (data, name) =>
    `let ${name(data.point.replace(/^\w+:/, ''))} pass with ${data.second}: ${data.why}`,
})
