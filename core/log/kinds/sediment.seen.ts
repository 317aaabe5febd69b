import * as v from 'valibot'
import { sedimentOf, sediments } from '../measured/sediment.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** what lay in the bowl, the last look; null where nobody said */
    sediment: { kinds: readonly string[]; by: string; at: string; entry: string } | null
  }
}

/** What lay in the bowl when it was opened, by kind; an empty list says that it was clean. */
export const sedimentSeen = defineKind({
  kind: 'sediment.seen',
  version: 1,
  station: 'teardown',
  ofBody: true,
  slice: { body: { sediment: null } },
  schema: v.object({
    kinds: v.pipe(v.array(v.picklist(sediments.map(({ code }) => code))), v.maxLength(sediments.length)),
  }),
  key: () => 'bowl',
  apply: (state, entry) =>
    withBody(state, entry.body, () => ({
      sediment: { kinds: [...new Set(entry.data.kinds)], ...stamp(entry) },
    })),
  sentence: ({ kinds }) =>
    kinds.length
      ? `in the bowl: ${kinds.map((code) => sedimentOf(code)!.label.toLowerCase()).join(', ')}`
      : 'the bowl was clean',
})
