import * as v from 'valibot'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    returned: { seenSeq: number; by: string; at: string; entry: string } | null
  }
}

export const jobReturned = defineKind({
  kind: 'job.returned',
  version: 1,
  station: 'return',
  slice: { job: { returned: null } },
  schema: v.object({ seenSeq: v.pipe(v.number(), v.integer(), v.minValue(0)) }),
  key: () => '',
  apply: (state, { data, by, at, id }) => ({
    ...state,
    returned: { seenSeq: data.seenSeq, by, at, entry: id },
  }),
  sentence: () => 'returned it with its sheet',
})
