import * as v from 'valibot'
import { isSeen } from '../../limits/index.ts'
import { ends, type End } from '../ends.ts'
import { Words } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    closed: { why: End; words: string; by: string; at: string } | null
  }
}

export const jobClosed = defineKind({
  kind: 'job.closed',
  version: 2,
  // Version 1 had fewer ends.
  upcasts: { 1: (data: object) => data },
  slice: { job: { closed: null } },
  schema: v.object({ why: v.picklist(ends), words: Words }),
  key: () => '',
  // What ends otherwise than set and proved says why, for whoever gets it back.
  admit: (_state, { data }, { standing }) =>
    standing || data.why === 'not serviced' || isSeen(data.words) ? undefined : notAdmitted('end', data.why),
  apply: (state, { data, by, at }) => ({ ...state, closed: { ...data, by, at } }),
  sentence: (data) => `closed the job: ${data.why}${data.words ? `, ${data.words}` : ''}`,
})
