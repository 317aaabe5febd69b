import * as v from 'valibot'
import { Code, PersonName, SomeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    /** named work only: what is asked for, and who said yes where it was narrowed after teardown began; null where all of it is */
    scope: {
      only: readonly string[]
      words: string
      agreed: string | null
      by: string
      at: string
      entry: string
    } | null
  }
}

/**
 * Only named work is asked for: its parts by position (of a bank with its body), in the customer's words. Without parts it is what comes
 * off. An empty one, with `all`, asks for the whole unit again.
 */
export const jobScoped = defineKind({
  kind: 'job.scoped',
  version: 1,
  station: 'receive',
  slice: { job: { scope: null } },
  schema: v.object({
    only: v.pipe(v.array(Code), v.maxLength(200)),
    words: SomeWords,
    /** who said yes at the customer's; needed once teardown has begun */
    agreed: v.nullable(PersonName),
    all: v.boolean(),
  }),
  key: () => '',
  // Narrowed once it lies open, it is no longer what was agreed at the counter.
  apply: (state, { data, by, at, id }) => ({
    ...state,
    scope: data.all ? null : { only: data.only, words: data.words, agreed: data.agreed, by, at, entry: id },
  }),
  sentence: ({ words, agreed, all }) =>
    all
      ? `asked for the whole unit: ${words}`
      : `only named work: ${words}${agreed ? `, agreed by ${agreed}` : ''}`,
})
