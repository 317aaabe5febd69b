import * as v from 'valibot'
import { defineKind } from '../kind.ts'

/** The customer's yes or no to the estimate that stands: who said it. When is the entry's own time. */
export const estimateAgreed = defineKind({
  kind: 'estimate.agreed',
  version: 1,
  station: 'receive',
  schema: v.object({
    yes: v.boolean(),
    who: v.pipe(v.string(), v.trim(), v.minLength(1, 'Type who said it.'), v.maxLength(80)),
  }),
  key: () => '',
  apply: (state, { data, at }) => ({
    ...state,
    estimate: state.estimate && { ...state.estimate, agreed: { ...data, at } },
  }),
  sentence: (data) => `heard ${data.yes ? 'yes' : 'no'} to the estimate from ${data.who}`,
})
