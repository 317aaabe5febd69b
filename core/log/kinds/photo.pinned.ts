import * as v from 'valibot'
import { defineKind, stamp, withBody } from '../kind.ts'

/** A pin on a photograph: a place in it, as shares of its sides from the upper left, and words. */
export interface Pin {
  x: number
  y: number
  words: string
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    /** pins by photograph */
    pins: Readonly<Record<string, readonly Pin[]>>
  }
}

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))

export const photoPinned = defineKind({
  kind: 'photo.pinned',
  version: 1,
  ofBody: true,
  slice: { body: { pins: {} } },
  schema: v.object({
    photo: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
    x: share,
    y: share,
    words: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
  }),
  key: ({ photo }) => photo,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { photo, ...pin } = entry.data
      return { pins: { ...body.pins, [photo]: [...(body.pins[photo] ?? []), { ...pin, ...stamp(entry) }] } }
    }),
  sentence: ({ words }) => `pinned to a photograph: ${words}`,
})
