import * as v from 'valibot'
import { SomeWords } from '../entry.ts'
import { defineKind, stamp } from '../kind.ts'

export const noteWritten = defineKind({
  kind: 'note.written',
  version: 1,
  station: 'job',
  schema: v.object({ text: SomeWords }),
  key: () => '',
  admit: () => undefined,
  apply: (state, entry) => ({
    ...state,
    notes: [...state.notes, { text: entry.data.text, ...stamp(entry) }],
  }),
  sentence: (data) => `noted: ${data.text}`,
})
