import * as v from 'valibot'
import { factOf } from '../../sheets/index.ts'
import { Code, GaugeCode } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

/** A fact of a taught unit that the bench gave: a dimension (mm, mm², g), or how it works, in one word. */
export interface OwnFact {
  raw: string
  value: number | string
  /** σ of a measured one, in its own unit */
  sigma: number | null
  gauge: string | null
  by: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    ownFacts: Readonly<Record<string, OwnFact>>
  }
}

export const ownDimension = defineKind({
  kind: 'own.dimension',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { ownFacts: {} } },
  schema: v.object({
    fact: Code,
    raw: v.pipe(v.string(), v.minLength(1, 'Nothing was typed.'), v.maxLength(40)),
    value: v.union([
      v.pipe(v.number(), v.minValue(-200), v.maxValue(20_000)),
      v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
    ]),
    sigma: v.nullable(v.pipe(v.number(), v.gtValue(0))),
    gauge: v.nullable(GaugeCode),
  }),
  key: (data) => data.fact,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { fact, ...data } = entry.data
      return { ownFacts: { ...body.ownFacts, [fact]: { ...data, by: entry.by, entry: entry.id } } }
    }),
  sentence: ({ fact, raw, value }, name) => {
    if (value === 'none' && fact.startsWith('none:'))
      return `found no ${name(fact.slice(5)).toLowerCase()} on it`
    const of = factOf(fact)?.name.toLowerCase() ?? fact
    return typeof value === 'string' ? `looked at ${of}: ${raw}` : `measured ${of}: ${raw}`
  },
})
