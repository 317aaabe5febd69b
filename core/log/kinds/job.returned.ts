import * as v from 'valibot'
import { notAdmitted } from '../refusals.ts'
import { openPoints } from '../../bench/stations/gate.ts'
import { defineKind } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    returned: { seenSeq: number; by: string; at: string; entry: string } | null
  }
}

export const jobReturned = defineKind({
  kind: 'job.returned',
  version: 1,
  slice: { job: { returned: null } },
  schema: v.object({ seenSeq: v.pipe(v.number(), v.integer(), v.minValue(0)) }),
  key: () => '',
  admit: (state, { at }, { all, known, standing }) => {
    if (state.returned) return notAdmitted('returned')
    // A return was judged by its gate when it happened.
    if (standing) return undefined
    const open = openPoints(state, all, { ...known, at })
    return open.length
      ? notAdmitted(
          'gate',
          open
            .map((point) => point.title)
            .slice(0, 3)
            .join('; '),
        )
      : undefined
  },
  apply: (state, { data, by, at, id }) => ({
    ...state,
    returned: { seenSeq: data.seenSeq, by, at, entry: id },
  }),
  sentence: () => 'returned it with its sheet',
})
