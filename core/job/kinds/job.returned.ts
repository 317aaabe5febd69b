import * as v from 'valibot'
import { refusal } from '../entry.ts'
import { openPoints } from '../gate.ts'
import { defineKind } from '../kind.ts'

export const jobReturned = defineKind({
  kind: 'job.returned',
  version: 1,
  station: 'return',
  schema: v.object({ seenSeq: v.pipe(v.number(), v.integer(), v.minValue(0)) }),
  key: () => '',
  admit: (state, _entry, { all, standing }) => {
    if (state.returned) return refusal('returned', 'It went back already.')
    // A return was judged by its gate when it happened.
    if (standing) return undefined
    const open = openPoints(state, all)
    return open.length
      ? refusal(
          'gate',
          `It cannot go back yet: ${open
            .map((point) => point.title)
            .slice(0, 3)
            .join('; ')}.`,
        )
      : undefined
  },
  apply: (state, { data, by, at, id }) => ({
    ...state,
    returned: { seenSeq: data.seenSeq, by, at, entry: id },
  }),
  sentence: () => 'returned it with its sheet',
})
