import * as v from 'valibot'
import { FreeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'

const minor = v.pipe(
  v.number(),
  v.integer('Money is counted in whole minor units.'),
  v.minValue(1, 'Enter the total cost.'),
  v.maxValue(1e9),
)

export interface Estimate {
  amountMinor: number
  hourMinor: number
  words: string
  by: string
  at: string
  entry: string
  agreed: { yes: boolean; who: string; at: string } | null
}

declare module '../state.ts' {
  interface JobState {
    estimate: Estimate | null
  }
}

/** What the customer is told it will cost. The hour's price stands with it, so that work beyond it can be told from the log alone. */
export const estimateMade = defineKind({
  kind: 'estimate.made',
  version: 1,
  station: 'receive',
  slice: { job: { estimate: null } },
  schema: v.object({
    amountMinor: minor,
    hourMinor: v.pipe(v.number(), v.integer(), v.minValue(0)),
    words: FreeWords,
  }),
  key: () => '',
  apply: (state, { data, by, at, id }) => ({
    ...state,
    estimate: { ...data, by, at, entry: id, agreed: null },
  }),
  sentence: (data, _name, money) =>
    `estimated it at ${money(data.amountMinor)}${data.words ? `: ${data.words}` : ''}`,
})
