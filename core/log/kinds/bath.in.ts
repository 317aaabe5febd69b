import * as v from 'valibot'
import { washOf } from '../../plan/baths/wash.ts'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'
import { notAdmitted } from '../refusals.ts'
import { bodyOf } from '../state.ts'

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
  ofBody: true,
  slice: { body: { baths: {} } },
  schema: v.object({
    positions: v.pipe(v.array(Code), v.minLength(1), v.maxLength(100)),
    minutes: v.pipe(v.number(), v.minValue(1), v.maxValue(24 * 60)),
    celsius: v.pipe(v.number(), v.minValue(0), v.maxValue(90)),
  }),
  key: ({ positions }) => positions.join(),
  admit: (state, { data, body }, { sheets, standing }) => {
    if (standing) return undefined
    const here = bodyOf(state, body)
    for (const code of data.positions) {
      const position = sheets?.build.positions.find((one) => one.code === code)
      if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, code)
      const name = position?.name ?? code
      if (!here.off[code] || here.on[code]) return notAdmitted('still on', name)
      const bath = here.baths[code]
      if (bath?.out === null) return notAdmitted('in the bath', name)
      if (!position) continue
      const wash = washOf(position)
      if (wash.bath === 'none') return notAdmitted('no bath', name, wash.why)
      if (data.celsius > wash.mostC) return notAdmitted('too hot', name, data.celsius, wash.mostC)
    }
    return undefined
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { positions, minutes, celsius } = entry.data
      const put = positions.map((code) => [code, { minutes, celsius, out: null, ...stamp(entry) }] as const)
      return { baths: { ...body.baths, ...Object.fromEntries(put) } }
    }),
  sentence: ({ positions, minutes, celsius }, name) =>
    `into the bath: ${positions.map(name).join(', ')}, ${minutes} min at ${celsius} °C`,
})
