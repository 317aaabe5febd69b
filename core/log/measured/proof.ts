import * as v from 'valibot'
import { Amount } from '../entry.ts'

/** What a proof was measured at: one shape for each way of proving, with the band that it was held against. */
export type ProofMeasured =
  /** a pressure or a vacuum shut in and watched; kPa, mL, mL/min at the air's pressure */
  | {
      what: 'hold'
      side: 'pressure' | 'vacuum'
      fromKpa: number
      toKpa: number
      seconds: number
      volumeMl: number
      limit: number
      leak: number
      low: number
      high: number
      verdict: 'tight' | 'slow' | 'settling' | 'open' | 'wait'
      law: 'laminar' | 'orifice' | 'settling'
      popOffKpa: number | null
      reseatKpa: number | null
    }
  /** lifts of the needle, and how many of them came back clean */
  | { what: 'lifts'; clean: number; of: number; spreadKpa: number | null }
  /** fuel below the face on the wet bench, mm, with what it was read under */
  | {
      what: 'level'
      belowFace: number
      expected: number
      lo: number
      hi: number
      pressureKpa: number
      densityKgM3: number
      tiltDeg: number
      atEngine: number | null
    }
  /** places watched for weep; `wetAt` is when one was seen wet, s */
  | {
      what: 'weep'
      seconds: number
      wanted: number
      tapped: boolean
      places: { name: string; wetAt: number | null }[]
    }
  /** the pump's strokes; without a band there is nothing to hold the volume against */
  | { what: 'pump'; ml: number; strokes: number; atOnce: boolean; lo: number | null; hi: number | null }
  /** an electric coil or a heated enricher, timed; current in A where it was read */
  | {
      what: 'travel'
      samples: [seconds: number, travel: number][]
      gain: number
      secondsTo95: number | null
      limit: number
      amps: number | null
      ampsLo: number | null
      ampsHi: number | null
      /** once it is warm; measurements of before lack it */
      ampsHot?: number | null | undefined
    }
  /** what a hand or an eye says */
  | { what: 'seen'; yes: boolean; words: string }
  /** one reading a body of a bank, and how far apart they may stand; turns made since the try before, one a coupler */
  | { what: 'alike'; unit: string; readings: number[]; lead: number; allowed: number; turned: number[] }

const Short = v.pipe(v.string(), v.minLength(1), v.maxLength(60))
const Share = v.pipe(v.number(), v.finite(), v.minValue(0))
const Maybe = v.nullable(Amount)

export const proofMeasuredShape: v.GenericSchema<unknown, ProofMeasured> = v.variant('what', [
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
