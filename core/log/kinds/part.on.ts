import * as v from 'valibot'
import { MOST } from '../../base/limits/index.ts'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

export type PartSource = 'old' | 'kit' | 'loose' | 'shelf'

declare module '../state.ts' {
  interface BodyState {
    on: Readonly<
      Record<
        string,
        {
          from: PartSource
          part: string | null
          /** whether the check that proves it was answered as it went on */
          proof: 'held' | 'not yet' | 'none'
          /** a washer's, as it was measured before it went on */
          thicknessMm: number | null
          /** how it was laid, one of its kind's ways */
          wayRound?: string | undefined
          by: string
          at: string
          entry: string
        }
      >
    >
  }
}

export const partOn = defineKind({
  kind: 'part.on',
  version: 2,
  station: 'build',
  // What was put on before was put on by a key that said 'on, and proved'.
  upcasts: { 1: (data: object) => ({ ...data, proof: 'held', thicknessMm: null }) },
  ofBody: true,
  slice: { body: { on: {} } },
  schema: v.object({
    position: Code,
    from: v.picklist(['old', 'kit', 'loose', 'shelf']),
    part: v.nullable(v.pipe(v.string(), v.maxLength(MOST.code))),
    proof: v.picklist(['held', 'not yet', 'none']),
    thicknessMm: v.nullable(v.pipe(v.number(), v.gtValue(0), v.maxValue(20))),
    wayRound: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))),
  }),
  key: (data) => data.position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      on: {
        ...body.on,
        [entry.data.position]: {
          from: entry.data.from,
          part: entry.data.part,
          proof: entry.data.proof,
          thicknessMm: entry.data.thicknessMm,
          ...(entry.data.wayRound ? { wayRound: entry.data.wayRound } : {}),
          ...stamp(entry),
        },
      },
    })),
  sentence: (data, name) =>
    `${name(data.position)} on, ${data.from === 'old' ? 'the old one' : `new from ${data.from === 'loose' ? 'loose parts' : `the ${data.from}`}`}${data.thicknessMm ? `, ${data.thicknessMm} mm thick` : ''}${data.wayRound ? `, ${data.wayRound}` : ''}${data.proof === 'not yet' ? '; its check is not made yet' : ''}`,
})
