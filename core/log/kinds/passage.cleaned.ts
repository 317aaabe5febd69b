import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** passages that were cleaned, in order; what was blown before the last one says nothing of now */
    cleaned: readonly {
      passage: string
      tool: 'soft' | 'sized'
      /** how many blows were before it */
      after: number
      by: string
      at: string
      entry: string
    }[]
  }
}

/** A passage cleaned: soft (solvent, air, bristle), or by a sized tool. It is blown again before it counts. */
export const passageCleaned = defineKind({
  kind: 'passage.cleaned',
  version: 1,
  station: 'clean',
  ofBody: true,
  slice: { body: { cleaned: [] } },
  schema: v.object({ passage: Code, tool: v.picklist(['soft', 'sized']) }),
  key: () => '',
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      cleaned: [...body.cleaned, { ...entry.data, after: body.blows.length, ...stamp(entry) }],
    })),
  sentence: ({ passage, tool }) =>
    `cleaned the passage ${passage} ${tool === 'soft' ? 'softly' : 'with a sized tool'}`,
})
