import * as v from 'valibot'
import { SomeWords } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** why teardown began without all of as found */
    unlocked: string | null
  }
}

export const teardownUnlocked = defineKind({
  kind: 'teardown.unlocked',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { unlocked: null } },
  schema: v.object({ why: SomeWords }),
  key: () => '',
  apply: (state, entry) => withBody(state, entry.body, () => ({ unlocked: entry.data.why })),
  sentence: (data) => `went on to teardown without all as found: ${data.why}`,
})
