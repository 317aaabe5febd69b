import * as v from 'valibot'
import { missingFor, proofsOf } from '../../judge/proof/list.ts'
import { proves, type Measured } from '../../judge/proof/measured.ts'
import { MOST_PACKED, type PackedTrace } from '../../measure/trace/index.ts'
import { Amount } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'
import { notAdmitted } from '../refusals.ts'
import { bodyOf } from '../state.ts'
import { lower } from '../../base/words/index.ts'

/** One proof as it was measured, with what was said of it: nothing of it is judged again. */
export interface ProofData {
  measured: Measured
  /** by the measurement alone */
  proved: boolean
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
const Share = v.pipe(v.number(), v.finite(), v.minValue(0))
const Maybe = v.nullable(Amount)

const measured: v.GenericSchema<unknown, Measured> = v.variant('what', [
  v.object({
    what: v.literal('hold'),
    side: v.picklist(['pressure', 'vacuum']),
    fromKpa: Share,
    toKpa: Share,
    seconds: v.pipe(v.number(), v.gtValue(0)),
    volumeMl: v.pipe(v.number(), v.gtValue(0)),
    limit: v.pipe(v.number(), v.gtValue(0)),
    leak: Share,
    low: Share,
    high: Share,
    verdict: v.picklist(['tight', 'slow', 'settling', 'open', 'wait']),
    law: v.picklist(['laminar', 'orifice', 'settling']),
    popOffKpa: Maybe,
    reseatKpa: Maybe,
  }),
  v.object({
    what: v.literal('lifts'),
    clean: v.pipe(v.number(), v.integer(), v.minValue(0)),
    of: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(50)),
    spreadKpa: Maybe,
  }),
  v.object({
    what: v.literal('level'),
    belowFace: Amount,
    expected: Amount,
    lo: Amount,
    hi: Amount,
    pressureKpa: Share,
    densityKgM3: Share,
    tiltDeg: v.pipe(v.number(), v.minValue(-45), v.maxValue(45)),
    atEngine: Maybe,
  }),
  v.object({
    what: v.literal('weep'),
    seconds: Share,
    wanted: Share,
    tapped: v.boolean(),
    places: v.pipe(
      v.array(v.object({ name: Short, wetAt: v.nullable(Share) })),
      v.minLength(1),
      v.maxLength(20),
    ),
  }),
  v.object({
    what: v.literal('pump'),
    ml: Share,
    strokes: v.pipe(v.number(), v.integer(), v.minValue(1)),
    atOnce: v.boolean(),
    lo: v.nullable(Share),
    hi: v.nullable(Share),
  }),
  v.object({
    what: v.literal('travel'),
    samples: v.pipe(v.array(v.tuple([Share, Share])), v.maxLength(60)),
    gain: Share,
    secondsTo95: v.nullable(Share),
    limit: Share,
    amps: v.nullable(Share),
    ampsLo: v.nullable(Share),
    ampsHi: v.nullable(Share),
    /** what it draws once it is warm; entries of before lack it */
    ampsHot: v.optional(v.nullable(Share)),
  }),
  v.object({ what: v.literal('seen'), yes: v.boolean(), words: v.pipe(v.string(), v.maxLength(200)) }),
  v.object({
    what: v.literal('alike'),
    unit: Short,
    readings: v.pipe(v.array(Share), v.minLength(2), v.maxLength(6)),
    lead: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(5)),
    allowed: v.pipe(v.number(), v.gtValue(0)),
    turned: v.pipe(v.array(v.number()), v.maxLength(5)),
  }),
])

/** A proof measured on the bench. Whether it proves is worked out from what was measured, never entered. */
export const proofMeasured = defineKind({
  kind: 'proof.measured',
  version: 1,
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
  admit: (state, { data, body = 1 }, { sheets, standing }) => {
    const here = bodyOf(state, body)
    if (standing) return undefined
    if (!here.ident && !here.taught) return notAdmitted('identify first')
    if (!sheets) return undefined
    const subject = { state, sheets, body }
    const proof = proofsOf(subject).find(({ key }) => key === data.proof)
    if (!proof) return notAdmitted('no proof', sheets.spec.listNumber, data.name)
    const missing = missingFor(subject, proof)[0]
    return missing ? notAdmitted('not on', missing.name) : undefined
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { data, by, at, id } = entry
      const one: ProofData = {
        measured: data.measured,
        proved: proves(data.measured),
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
  sentence: ({ name, value, measured: it }) =>
    `${proves(it) ? 'proved' : 'found not good'}: ${lower(name)}, ${value}`,
})
