import * as v from 'valibot'
import { FreeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    answer: {
      explained: boolean
      by: readonly string[]
      words: string
      causes?: readonly string[] | undefined
    } | null
  }
}

export const complaintAnswered = defineKind({
  kind: 'complaint.answered',
  version: 1,
  station: 'return',
  slice: { job: { answer: null } },
  schema: v.object({
    explained: v.boolean(),
    by: v.array(v.pipe(v.string(), v.maxLength(60))),
    words: FreeWords,
    /** the causes of the shop’s table that these findings are, so that the next one knows */
    causes: v.optional(v.array(v.pipe(v.string(), v.maxLength(40)))),
  }),
  key: () => '',
  apply: (state, { data }) => ({ ...state, answer: data }),
  sentence: (data, name) =>
    data.explained
      ? `found the complaint explained by ${data.by.map(name).join(', ') || data.words}`
      : 'found the complaint not explained',
})
