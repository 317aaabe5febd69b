import * as v from 'valibot'
import { places } from '../../sheets/index.ts'
import { Code, SomeWords } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** why, by setting */
    asFoundSkipped: Readonly<Record<string, string>>
  }
}

export const asFoundSkipped = defineKind({
  kind: 'asfound.skipped',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { asFoundSkipped: {} } },
  schema: v.object({
    code: Code,
    place: v.picklist(places),
    why: SomeWords,
  }),
  key: (data) => `${data.code}/${data.place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      asFoundSkipped: { ...body.asFoundSkipped, [`${entry.data.code}/${entry.data.place}`]: entry.data.why },
    })),
  sentence: (data, name) => `skipped ${name(`${data.code}/${data.place}`)} as found: ${data.why}`,
})
