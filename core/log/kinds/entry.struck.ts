import * as v from 'valibot'
import { Words } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind } from '../kind.ts'

/** Undo: names in `corrects` what it strikes; striking a strike is redo. The fold leaves both out. */
export const entryStruck = defineKind({
  kind: 'entry.struck',
  version: 1,
  schema: v.object({ why: Words }),
  key: () => '',
  admit: (_state, { corrects }) => (corrects ? undefined : notAdmitted('corrects')),
  apply: (state) => state,
  sentence: (data) => `took it back${data.why ? `: ${data.why}` : ''}`,
})
