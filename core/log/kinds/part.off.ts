import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** Why a part that was on again comes off once more. */
export const offAgain = ['opened again', 'broke here', 'wrong part'] as const
export type OffAgainWhy = (typeof offAgain)[number]

declare module '../state.ts' {
  interface BodyState {
    off: Readonly<
      Record<
        string,
        {
          tray: string
          again: OffAgainWhy | null
          /** how it lay, one of its kind's ways, where somebody said it */
          wayRound?: string | undefined
          by: string
          at: string
          entry: string
        }
      >
    >
  }
}

export const partOff = defineKind({
  kind: 'part.off',
  version: 1,
  station: 'teardown',
  ofBody: true,
  slice: { body: { off: {} } },
  schema: v.object({
    position: Code,
    tray: v.pipe(v.string(), v.maxLength(20)),
    /** of one that was on again: why it comes off once more */
    again: v.optional(v.picklist(offAgain)),
    wayRound: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))),
  }),
  key: (data) => data.position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { [entry.data.position]: _, ...on } = body.on
      return {
        on,
        off: {
          ...body.off,
          [entry.data.position]: {
            tray: entry.data.tray,
            again: entry.data.again ?? null,
            ...(entry.data.wayRound ? { wayRound: entry.data.wayRound } : {}),
            ...stamp(entry),
          },
        },
      }
    }),
  sentence: ({ position, tray, again, wayRound }, name) =>
    `${name(position)} off${again ? ` again, ${again}` : ''}, into tray ${tray}${wayRound ? `; it lay ${wayRound}` : ''}`,
})
