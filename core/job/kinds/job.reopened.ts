import * as v from 'valibot'
import { SomeWords } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind } from '../kind.ts'

export const jobReopened = defineKind({
  kind: 'job.reopened',
  version: 1,
  schema: v.object({ why: SomeWords }),
  key: () => '',
  admit: (state) => (state.closed || state.returned ? undefined : notAdmitted('open')),
  apply: (state) => ({ ...state, closed: null, returned: null }),
  sentence: (data) => `opened the job again: ${data.why}`,
})
