import { complaintWords } from '../complaint.ts'
import * as v from 'valibot'
import { MOST } from '../../base/limits/index.ts'
import { LocalDate, FreeWords } from '../entry.ts'
import { defineKind } from '../kind.ts'
import { MOST_BODIES } from '../state.ts'

const name = (what: string) =>
  v.pipe(v.string(), v.trim(), v.minLength(1, `Enter ${what}.`), v.maxLength(MOST.customer))

export const symptoms = [
  'hard start',
  'runs only on choke',
  'flooding',
  'weep at a thread',
  'leak',
  'bog on opening',
  'dies on opening',
  'flat spot',
  'hanging idle',
  'sagging idle',
  'pops on the overrun',
  'hunting',
  'surge',
  'rattle',
  'smoke',
  'no top end',
  'none: overhaul',
] as const
export const bands = ['idle', 'just off idle', 'middle', 'wide open', 'everywhere'] as const
export const temperatures = ['cold', 'hot', 'both'] as const
export const whens = [
  'any time',
  'parked',
  'on a trailer',
  'on a slope',
  'hot restart',
  'after lay-up',
  'cold and damp',
] as const

const limited = (least: number, most: number, sentence: string) =>
  v.nullable(v.pipe(v.number(), v.minValue(least, sentence), v.maxValue(most, sentence)))

export interface Opened {
  customer: string
  engine: string
  equipment: string
  ethanol: number | null
  pressureKpa: number | null
  headMm: number | null
  altitudeM: number | null
  tiltDeg: number | null
  boosted: boolean
  marine: boolean
  bodies: number
  earlier: number | null
  promise: string
  /** whether all of it is asked to be shown */
  evidence: boolean
  /** whether it ran well as it came in, as the customer said; null where nobody asked or nobody knows */
  ran: boolean | null
  complaint: { symptom: string; band: string; temperature: string; when: string; words: string }
  by: string
  at: string
}

declare module '../state.ts' {
  interface JobState {
    opened: Opened | null
  }
}

export const jobOpened = defineKind({
  kind: 'job.opened',
  version: 3,
  station: 'receive',
  // Before version 3 nobody was asked to show what was not found to be wrong.
  upcasts: { 1: fromVersion1, 2: (data: object) => ({ ...data, evidence: false }) },
  slice: { job: { opened: null } },
  schema: v.object({
    customer: name('the customer'),
    engine: name('the engine'),
    equipment: name('the equipment'),
    aircraft: v.boolean(),
    ethanol: limited(0, 1, 'The ethanol share lies between 0 and 100 %.'),
    pressureKpa: limited(0, 700, 'A fuel pressure lies between 0 and 700 kPa: is it in kPa?'),
    headMm: limited(0, 20000, 'A head lies between 0 and 20 m: is it in mm?'),
    altitudeM: limited(-500, 9000, 'An altitude lies between −500 and 9000 m: is it in metres?'),
    /** how it stands when it is installed, degrees off level */
    tiltDeg: limited(0, 60, 'An installed tilt lies between 0 and 60 degrees.'),
    /** bowl and fuel pressure follow the intake’s */
    boosted: v.boolean(),
    marine: v.boolean(),
    /** single carburetors on one rail that are one job */
    bodies: v.pipe(
      v.number(),
      v.integer('Bodies are counted in whole ones.'),
      v.minValue(1, 'A job has at least one body.'),
      v.maxValue(
        MOST_BODIES,
        `A bank has at most ${MOST_BODIES} bodies. Open a second job for what hangs on another rail.`,
      ),
    ),
    /** number of the job that it comes back from */
    earlier: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(2_147_483_647))),
    promise: LocalDate,
    /** whether all of it is asked to be shown: false only of jobs that began before that was so */
    evidence: v.optional(v.boolean()),
    /** whether it ran well as it is; jobs of before the question have no answer */
    ran: v.optional(v.nullable(v.boolean())),
    complaint: v.object({
      symptom: v.picklist(symptoms),
      band: v.picklist(bands),
      temperature: v.picklist(temperatures),
      when: v.picklist(whens),
      words: FreeWords,
    }),
  }),
  key: () => '',
  apply: (state, { data, by, at }) => {
    const { aircraft: _, evidence = true, ran = null, ...opened } = data
    return { ...state, opened: { ...opened, evidence, ran, by, at } }
  },
  sentence: (data) =>
    `took ${data.bodies > 1 ? `a bank of ${data.bodies}` : 'it'} in for ${data.customer}: ${complaintWords(data.complaint)}`,
})

interface Version1 {
  complaint: { symptom: string } & Record<string, unknown>
}

// Version 1 did not ask for when, tilt, boost, marine, bodies, and called one symptom otherwise.
function fromVersion1(data: Version1) {
  const { symptom, ...complaint } = data.complaint
  return {
    ...data,
    tiltDeg: null,
    boosted: false,
    marine: false,
    bodies: 1,
    earlier: null,
    complaint: {
      symptom: symptom === 'weeps' ? 'weep at a thread' : symptom,
      ...complaint,
      when: 'any time',
    },
  }
}
