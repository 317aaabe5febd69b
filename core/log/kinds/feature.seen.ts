import * as v from 'valibot'
import { Code } from '../entry.ts'
import { FEATURE_NAMES } from '../../sheets/index.ts'
import { defineKind, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    features: Readonly<
      Record<string, { raw: string; value: string | number; sigma: number | null; entry: string }>
    >
  }
}

export const featureSeen = defineKind({
  kind: 'feature.seen',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { features: {} } },
  schema: v.object({
    feature: Code,
    raw: v.pipe(v.string(), v.maxLength(40)),
    value: v.union([
      v.pipe(v.number(), v.minValue(0), v.maxValue(10_000)),
      v.pipe(v.string(), v.maxLength(40)),
    ]),
    sigma: v.nullable(v.pipe(v.number(), v.gtValue(0))),
  }),
  key: (data) => data.feature,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { feature, raw, value, sigma } = entry.data
      return { features: { ...body.features, [feature]: { raw, value, sigma, entry: entry.id } } }
    }),
  sentence: (data) => `saw ${FEATURE_NAMES[data.feature] ?? data.feature}: ${data.raw}`,
})
