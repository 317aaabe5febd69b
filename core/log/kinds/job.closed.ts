import * as v from 'valibot'
import { ends, type End } from '../ends.ts'
import { PersonName, FreeWords } from '../entry.ts'
import { defineKind, type Stamped } from '../kind.ts'
import { bodyNumbers, bodyOf, type JobState } from '../state.ts'

/** How a body, or the job with its last one, ended otherwise than set and proved. */
export interface Ended {
  why: End
  words: string
  /** who looked a second time; null in a shop of one, and in entries of before */
  second: string | null
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface JobState {
    closed: Ended | null
  }
  interface BodyState {
    ended: Ended | null
  }
}

const schema = v.object({
  why: v.picklist(ends),
  words: FreeWords,
  /** which body of a bank; null for the whole job */
  of: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6))),
  second: v.nullable(PersonName),
})

/** Ends that nobody takes back: two people look before the unit is given up. */
export const needsTwo = (why: End): boolean => why === 'condemned'

export const jobClosed = defineKind({
  kind: 'job.closed',
  version: 3,
  // Version 1 had fewer ends, version 2 knew the whole job only.
  upcasts: { 1: (data: object) => data, 2: (data: object) => ({ ...data, of: null, second: null }) },
  slice: { job: { closed: null }, body: { ended: null } },
  schema,
  key: ({ of }) => String(of ?? ''),
  apply: (state, entry) => {
    const { data } = entry
    const of = data.of === null ? bodyNumbers(state) : [data.of]
    const ended = endedOf(entry)
    const bodies = { ...state.bodies }
    for (const body of of) bodies[body] = { ...bodyOf(state, body), ended }
    const all = bodyNumbers(state).every((body) => bodies[body]?.ended)
    return { ...state, bodies, closed: all ? ended : state.closed }
  },
  sentence: ({ why, words, of, second }) =>
    `closed ${of === null ? 'the job' : `carburetor ${of}`}: ${why}${words ? `, ${words}` : ''}${second ? `, seen by ${second} too` : ''}`,
})

const endedOf = ({ data, by, at, id }: Stamped<v.InferOutput<typeof schema>>): Ended => ({
  why: data.why,
  words: data.words,
  second: data.second,
  by,
  at,
  entry: id,
})

/** Whether all of a job was done by the same hands: only then may one person answer for it alone. */
export const isOnePersons = (state: JobState, by: string): boolean =>
  state.log.every((entry) => entry.by === by)
