import * as v from 'valibot'
import { SomeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    /** the entry that opened it again after it had left the shop; null where it never left */
    cameBack: string | null
  }
}

export const jobReopened = defineKind({
  kind: 'job.reopened',
  version: 1,
  always: true,
  slice: { job: { cameBack: null } },
  schema: v.object({ why: SomeWords }),
  key: () => '',
  apply: (state, { id }) => ({
    ...state,
    closed: null,
    returned: null,
    bodies: Object.fromEntries(
      Object.entries(state.bodies).map(([body, one]) => [body, { ...one, ended: null }]),
    ),
    cameBack: state.returned ? id : state.cameBack,
  }),
  sentence: (data) => `opened the job again: ${data.why}`,
})
