import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** every blow through the passages, in order */
    blows: readonly {
      in: string
      open: readonly string[]
      shut: readonly string[]
      by: string
      at: string
      entry: string
    }[]
  }
}

/** Air blown in at one port: where it came out, and where it was looked for and did not. */
export const passageBlown = defineKind({
  kind: 'passage.blown',
  version: 1,
  station: 'clean',
  ofBody: true,
  slice: { body: { blows: [] } },
  schema: v.object({
    in: Code,
    open: v.pipe(v.array(Code), v.maxLength(40)),
    shut: v.pipe(v.array(Code), v.maxLength(40)),
  }),
  key: () => '',
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      blows: [...body.blows, { ...entry.data, ...stamp(entry) }],
    })),
  sentence: ({ in: from, open, shut }) =>
    `blew in at ${from}: ${[
      ...(open.length ? [`air at ${open.join(', ')}`] : []),
      ...(shut.length ? [`none at ${shut.join(', ')}`] : []),
    ].join(', ')}`,
})
