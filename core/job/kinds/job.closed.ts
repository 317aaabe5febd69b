import * as v from 'valibot'
import { Words } from '../entry.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    closed: { why: string; words: string; by: string; at: string } | null
  }
}

export const jobClosed = defineKind({
  kind: 'job.closed',
  version: 1,
  slice: { job: { closed: null } },
  schema: v.object({ why: v.picklist(['not serviced', 'condemned', 'withdrawn']), words: Words }),
  key: () => '',
  admit: () => undefined,
  apply: (state, { data, by, at }) => ({ ...state, closed: { ...data, by, at } }),
  sentence: (data) => `closed the job: ${data.why}${data.words ? `, ${data.words}` : ''}`,
})
