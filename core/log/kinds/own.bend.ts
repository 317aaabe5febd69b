import * as v from 'valibot'
import { defineKind, withBody } from '../kind.ts'

/** A bend at the tang between two readings of the float's height. */
export interface OwnBend {
  /** mm at the tang, toward the needle positive */
  mm: number
  sigma: number
  /** how many readings of the height stood before it */
  after: number
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    ownBends: readonly OwnBend[]
  }
}

/** The float’s height among a body’s readings. */
export const FLOAT_HEIGHT = 'float.height/none'

/** How far and which way the tang was bent: with the readings before and after it the float's ratio is learned. */
export const ownBend = defineKind({
  kind: 'own.bend',
  version: 1,
  station: 'set',
  ofBody: true,
  slice: { body: { ownBends: [] } },
  schema: v.object({
    mm: v.pipe(
      v.number(),
      v.minValue(-10),
      v.maxValue(10),
      v.check((mm) => mm !== 0, 'A bend of nothing tells nothing.'),
    ),
    sigma: v.pipe(v.number(), v.gtValue(0), v.maxValue(10)),
  }),
  key: () => '',
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      ownBends: [
        ...body.ownBends,
        { ...entry.data, after: body.readings[FLOAT_HEIGHT]?.said.length ?? 0, entry: entry.id },
      ],
    })),
  sentence: ({ mm }) =>
    `bent the tang about ${Math.abs(mm).toFixed(2)} mm ${mm > 0 ? 'toward' : 'away from'} the needle`,
})
