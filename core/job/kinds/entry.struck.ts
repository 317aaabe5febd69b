import * as v from 'valibot'
import { refusal, Words } from '../entry.ts'
import { defineKind } from '../kind.ts'

/** Undo: names in `corrects` what it strikes; striking a strike is redo. The fold leaves both out. */
export const entryStruck = defineKind({
  kind: 'entry.struck',
  version: 1,
  station: 'job',
  schema: v.object({ why: Words }),
  key: () => '',
  admit: (_state, { corrects }) =>
    corrects ? undefined : refusal('corrects', 'An undo must name what it undoes.', 'corrects'),
  apply: (state) => state,
  sentence: (data) => `took it back${data.why ? `: ${data.why}` : ''}`,
})
