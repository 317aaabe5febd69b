import * as v from 'valibot'
import { defineKind, withBody } from '../kind.ts'

const revision = v.pipe(v.string(), v.minLength(1), v.maxLength(80))

export interface Ident {
  listNumber: string
  specRev: string
  buildRev: string
  p: number | null
  /** where its body is another list number's: that one's sheets */
  lower?: { listNumber: string; specRev: string; buildRev: string } | null
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    ident: Ident | null
  }
}

export const identChosen = defineKind({
  kind: 'ident.chosen',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { ident: null } },
  schema: v.object({
    listNumber: revision,
    specRev: revision,
    buildRev: revision,
    p: v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(1))),
    runnerUp: v.nullable(v.object({ listNumber: revision, p: v.number() })),
    /** a mongrel: the body's own; entries of before lack it */
    lower: v.optional(v.nullable(v.object({ listNumber: revision, specRev: revision, buildRev: revision }))),
  }),
  key: () => '',
  apply: (state, entry) =>
    withBody(state, entry.body, () => {
      const { listNumber, specRev, buildRev, p, lower } = entry.data
      return {
        ident: { listNumber, specRev, buildRev, p, ...(lower ? { lower } : {}), entry: entry.id },
        taught: null,
        published: null,
      }
    }),
  sentence: (data) =>
    `identified it as ${data.listNumber}${data.lower ? ` on a body of ${data.lower.listNumber}` : ''}${data.p === null ? '' : ` (${Math.round(data.p * 100)} %)`}`,
})
