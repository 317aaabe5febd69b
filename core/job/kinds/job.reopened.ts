import * as v from 'valibot'
import { refusal, SomeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

export const jobReopened = defineKind({
  kind: 'job.reopened',
  version: 1,
  station: 'job',
  schema: v.object({ why: SomeWords }),
  key: () => '',
  admit: (state) =>
    state.closed || state.returned ? undefined : refusal('open', 'The job is open already.'),
  apply: (state) => ({ ...state, closed: null, returned: null }),
  sentence: (data) => `opened the job again: ${data.why}`,
})
