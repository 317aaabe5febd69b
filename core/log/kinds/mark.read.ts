import * as v from 'valibot'
import { defineKind, withBody } from '../kind.ts'

export const markPlaces = ['plate', 'cover', 'body', 'base'] as const

declare module '../state.ts' {
  interface BodyState {
    marks: Readonly<Record<string, { text: string; maker: string | null; entry: string }>>
  }
}

export const markRead = defineKind({
  kind: 'mark.read',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { marks: {} } },
  schema: v.object({
    place: v.picklist(markPlaces),
    text: v.pipe(v.string(), v.maxLength(40)),
    maker: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  }),
  key: (data) => data.place,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      marks: {
        ...body.marks,
        [entry.data.place]: { text: entry.data.text, maker: entry.data.maker, entry: entry.id },
      },
    })),
  sentence: (data) =>
    data.text ? `read ${data.text} on the ${data.place}` : `found no mark on the ${data.place}`,
})
