import * as v from 'valibot'
import { SomeWords } from '../entry.ts'
import { defineKind, stamp } from '../kind.ts'

declare module '../state.ts' {
  interface JobState {
    notes: readonly { text: string; by: string; at: string; entry: string }[]
  }
}

export const noteWritten = defineKind({
  kind: 'note.written',
  version: 1,
  always: true,
  slice: { job: { notes: [] } },
  schema: v.object({ text: SomeWords }),
  key: () => '',
  apply: (state, entry) => ({
    ...state,
    notes: [...state.notes, { text: entry.data.text, ...stamp(entry) }],
  }),
  sentence: (data) => `noted: ${data.text}`,
})
