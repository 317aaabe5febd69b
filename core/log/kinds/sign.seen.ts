import * as v from 'valibot'
import { FreeWords } from '../entry.ts'
import { defineKind, stamp } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    /** what was said of signs and causes since, by their codes */
    signs: Readonly<
      Record<
        string,
        { state: 'present' | 'absent' | 'not asked'; words: string; by: string; at: string; entry: string }
      >
    >
  }
}

/** A look at the engine or on the telephone: a sign or a cause that is there, is not, or cannot be told. */
export const signSeen = defineKind({
  kind: 'sign.seen',
  version: 1,
  always: true,
  slice: { job: { signs: {} } },
  schema: v.object({
    about: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
    /** as it was asked, for the history */
    name: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
    state: v.picklist(['present', 'absent', 'not asked']),
    words: FreeWords,
  }),
  key: ({ about }) => about,
  apply: (state, { data, ...rest }) => ({
    ...state,
    signs: {
      ...state.signs,
      [data.about]: { state: data.state, words: data.words, ...stamp({ data, ...rest }) },
    },
  }),
  sentence: ({ name, state, words }) =>
    `${state === 'present' ? 'yes' : state === 'absent' ? 'no' : 'cannot tell'}: ${name}${words ? ` (${words})` : ''}`,
})
