import * as v from 'valibot'
import { proofMeasuredShape as measured, type ProofMeasured } from '../measured/proof.ts'
import { MOST_PACKED, type PackedTrace } from '../../measure/trace/index.ts'
import { defineKind, withBody } from '../kind.ts'
import { lower } from '../../base/words/index.ts'

/** One proof as it was measured, with what was said of it: nothing of it is judged again. */
export interface ProofData {
  measured: ProofMeasured
  wants: string
  value: string
  headline: string
  meaning: string
  instrument: string | null
  trace: PackedTrace | null
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    /** what was measured of each proof, in order */
    proven: Readonly<Record<string, readonly ProofData[]>>
  }
}

const Words = v.pipe(v.string(), v.maxLength(400))
const Short = v.pipe(v.string(), v.minLength(1), v.maxLength(60))

/** A proof measured on the bench. Whether it proves is worked out from what was measured, never entered. */
export const proofMeasured = defineKind({
  kind: 'proof.measured',
  version: 1,
  station: 'prove',
  ofBody: true,
  slice: { body: { proven: {} } },
  schema: v.object({
    proof: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
    /** its name on this unit, for the history */
    name: Short,
    measured,
    wants: v.pipe(v.string(), v.maxLength(60)),
    value: Short,
    headline: Words,
    meaning: Words,
    instrument: v.nullable(v.pipe(v.string(), v.maxLength(60))),
    trace: v.nullable(
      v.object({
        instrument: v.pipe(v.string(), v.maxLength(60)),
        unit: v.pipe(v.string(), v.maxLength(12)),
        steps: v.object({ s: v.pipe(v.number(), v.gtValue(0)), value: v.pipe(v.number(), v.gtValue(0)) }),
        count: v.pipe(v.number(), v.integer(), v.minValue(1)),
        packed: v.pipe(v.string(), v.maxLength(MOST_PACKED)),
        sha256: v.optional(v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'A trace is named by its hash.'))),
      }),
    ),
  }),
  key: ({ proof }) => proof,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { data, by, at, id } = entry
      const one: ProofData = {
        measured: data.measured,
        wants: data.wants,
        value: data.value,
        headline: data.headline,
        meaning: data.meaning,
        instrument: data.instrument,
        trace: data.trace,
        by,
        at,
        entry: id,
      }
      return { proven: { ...body.proven, [data.proof]: [...(body.proven[data.proof] ?? []), one] } }
    }),
  sentence: ({ name, value, headline }) => {
    const own = lower(name)
    const said = lower(headline.replace(/\.$/, ''))
    // What is said of it mostly names the figure, and sometimes is the check itself: neither is told twice.
    return `checked ${[own, ...(said.includes(value) ? [] : [value]), ...(said === own ? [] : [said])].filter(Boolean).join(', ')}`
  },
})
