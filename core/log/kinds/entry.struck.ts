import * as v from 'valibot'
import { FreeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

/** Undo: names in `corrects` what it strikes; striking a strike is redo. The fold leaves both out. */
export const entryStruck = defineKind({
  kind: 'entry.struck',
  version: 1,
  schema: v.object({ why: FreeWords }),
  key: () => '',
  apply: (state) => state,
  sentence: (data) => `took it back${data.why ? `: ${data.why}` : ''}`,
})
