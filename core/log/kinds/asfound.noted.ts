import * as v from 'valibot'
import { Amount, Code } from '../entry.ts'
import { places } from '../../sheets/index.ts'
import { defineKind, withBody } from '../kind.ts'

export interface AsFound {
  raw: string
  value: number
  countedTo: 'seat' | 'free' | null
  headline: string
  meaning: string
  by: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    asFound: Readonly<Record<string, AsFound>>
  }
}

export const asFoundNoted = defineKind({
  kind: 'asfound.noted',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { asFound: {} } },
  schema: v.object({
    code: Code,
    place: v.picklist(places),
    raw: v.pipe(v.string(), v.minLength(1, 'Nothing was typed.'), v.maxLength(60)),
    value: Amount,
    countedTo: v.nullable(v.picklist(['seat', 'free'])),
    shown: v.object({ headline: v.string(), meaning: v.string() }),
  }),
  key: (data) => `${data.code}/${data.place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { code, place, raw, value, countedTo, shown } = entry.data
      const key = `${code}/${place}`
      const { [key]: _, ...asFoundSkipped } = body.asFoundSkipped
      return {
        asFoundSkipped,
        asFound: {
          ...body.asFound,
          [key]: { raw, value, countedTo, ...shown, by: entry.by, entry: entry.id },
        },
      }
    }),
  sentence: (data, name) => `noted ${name(`${data.code}/${data.place}`)} as found: ${data.raw}`,
})
