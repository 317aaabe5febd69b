import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

const turnedTo = ['started', 'finger', 'final', 'checked', 'engine'] as const
export type FastenerState = 'off' | (typeof turnedTo)[number]

declare module '../state.ts' {
  interface BodyState {
    /** how far each fastener of a position was turned last, by its index */
    fasteners: Readonly<
      Record<
        string,
        Readonly<Record<number, { to: FastenerState; why: string; by: string; at: string; entry: string }>>
      >
    >
  }
}

const MOST = 60
const WORDS = {
  started: 'started by hand',
  finger: 'finger-tight',
  final: 'final',
  checked: 'checked again',
  engine: 'left to finish on the engine',
} as const

/** Some of a position's fasteners turned as far as said: started by hand, finger-tight, final, checked again, or left for the engine. */
export const fastenerTurned = defineKind({
  kind: 'fastener.turned',
  version: 1,
  station: 'build',
  ofBody: true,
  slice: { body: { fasteners: {} } },
  schema: v.object({
    position: Code,
    at: v.pipe(
      v.array(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST - 1))),
      v.minLength(1),
      v.maxLength(MOST),
    ),
    to: v.picklist(turnedTo),
    /** why it is left for the engine; empty otherwise */
    why: v.pipe(v.string(), v.maxLength(200)),
  }),
  key: ({ position }) => position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { position, at, to, why } = entry.data
      const turned = Object.fromEntries(at.map((i) => [i, { to, why: why.trim(), ...stamp(entry) }]))
      return {
        fasteners: { ...body.fasteners, [position]: { ...body.fasteners[position], ...turned } },
      }
    }),
  sentence: ({ position, at, to, why }, name) =>
    `${name(position)}: ${at.length === 1 ? `number ${at[0]! + 1}` : at.length} ${WORDS[to]}${why.trim() ? `, ${why.trim()}` : ''}`,
})
