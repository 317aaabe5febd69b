import * as v from 'valibot'
import { Code, SomeWords } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** What becomes of something that a unit has other than its book: it is this unit's alone, or the book is wrong. */
export interface AmendKept {
  how: 'this unit' | 'book'
  why: string
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    /** by what was amended: a position, a setting's key, a port, a check */
    amendKept: Readonly<Record<string, AmendKept>>
  }
}

export const amendKept = defineKind({
  kind: 'amend.kept',
  version: 1,
  station: 'return',
  ofBody: true,
  slice: { body: { amendKept: {} } },
  schema: v.object({ of: Code, how: v.picklist(['this unit', 'book']), why: SomeWords }),
  key: (data) => data.of,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { of, ...data } = entry.data
      return { amendKept: { ...body.amendKept, [of]: { ...data, ...stamp(entry) } } }
    }),
  sentence: ({ of, how, why }, name) =>
    how === 'book'
      ? `corrected the book by ${name(of).toLowerCase()}: ${why}`
      : `kept ${name(of).toLowerCase()} as this unit’s alone: ${why}`,
})
