import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** each part's last bath: when it went in, and when it came out */
    baths: Readonly<
      Record<
        string,
        { minutes: number; celsius: number; by: string; at: string; entry: string; out: string | null }
      >
    >
  }
}

/** Parts into the warm bath, for so many minutes at so many degrees. What fluid or heat would spoil is turned away. */
export const bathIn = defineKind({
  kind: 'bath.in',
  version: 1,
  station: 'clean',
  ofBody: true,
  slice: { body: { baths: {} } },
  schema: v.object({
    positions: v.pipe(v.array(Code), v.minLength(1), v.maxLength(100)),
    minutes: v.pipe(v.number(), v.minValue(1), v.maxValue(24 * 60)),
    celsius: v.pipe(v.number(), v.minValue(0), v.maxValue(90)),
  }),
  key: ({ positions }) => positions.join(),
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { positions, minutes, celsius } = entry.data
      const put = positions.map((code) => [code, { minutes, celsius, out: null, ...stamp(entry) }] as const)
      return { baths: { ...body.baths, ...Object.fromEntries(put) } }
    }),
  sentence: ({ positions, minutes, celsius }, name) =>
    `into the bath: ${positions.map(name).join(', ')}, ${minutes} min at ${celsius} °C`,
})
