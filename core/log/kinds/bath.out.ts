import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

/** Parts out of the bath, rinsed and hung to dry. */
export const bathOut = defineKind({
  kind: 'bath.out',
  version: 1,
  station: 'clean',
  ofBody: true,
  schema: v.object({ positions: v.pipe(v.array(Code), v.minLength(1), v.maxLength(100)) }),
  key: ({ positions }) => positions.join(),
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      baths: {
        ...body.baths,
        ...Object.fromEntries(
          entry.data.positions.flatMap((code) =>
            body.baths[code] ? [[code, { ...body.baths[code], out: entry.at }] as const] : [],
          ),
        ),
      },
    })),
  sentence: ({ positions }, name) => `out of the bath, rinsed: ${positions.map(name).join(', ')}`,
})
