import type { Disposition, Measured } from '../findings/index.ts'
import type { Entry } from './entry.ts'

/** What the log says when it is read from its beginning. Keys of settings are `code/place`. */
export interface JobState {
  job: string
  seq: number
  /** the whole log, struck entries and all */
  log: readonly Entry[]
  opened: Opened | null
  closed: { why: string; words: string; by: string; at: string } | null
  returned: { seenSeq: number; by: string; at: string; entry: string } | null
  estimate: Estimate | null
  bodies: Readonly<Record<number, BodyState>>
  orders: readonly Order[]
  answer: { explained: boolean; by: readonly string[]; words: string } | null
  passes: Readonly<Record<string, { why: string; second: string; by: string; at: string }>>
  notes: readonly { text: string; by: string; at: string; entry: string }[]
}

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
  complaint: { symptom: string; band: string; temperature: string; when: string; words: string }
  by: string
  at: string
}

export interface Estimate {
  amountMinor: number
  hourMinor: number
  words: string
  by: string
  at: string
  entry: string
  agreed: { yes: boolean; who: string; at: string } | null
}

export interface BodyState {
  tests: Readonly<Record<string, { result: 'good' | 'bad' | 'none'; by: string; entry: string }>>
  marks: Readonly<Record<string, { text: string; maker: string | null; entry: string }>>
  features: Readonly<
    Record<string, { raw: string; value: string | number; sigma: number | null; entry: string }>
  >
  ident: Ident | null
  asFound: Readonly<Record<string, AsFound>>
  asFoundSkipped: Readonly<Record<string, string>>
  unlocked: string | null
  off: Readonly<Record<string, { tray: string; by: string; at: string; entry: string }>>
  on: Readonly<
    Record<string, { from: PartSource; part: string | null; by: string; at: string; entry: string }>
  >
  findings: Readonly<Record<string, Judged<FindingData>>>
  readings: Readonly<Record<string, Judged<ReadingData>>>
}

export interface Ident {
  listNumber: string
  specRev: string
  buildRev: string
  p: number | null
  entry: string
}

export interface AsFound {
  raw: string
  value: number
  countedTo: 'seat' | 'free' | null
  headline: string
  meaning: string
  by: string
  entry: string
}

export type PartSource = 'old' | 'kit' | 'loose' | 'shelf'

/** All that was said of one thing, in order; `differ` while two people's judgements stand against each other. */
export interface Judged<T> {
  said: readonly T[]
  differ: boolean
}

export interface FindingData {
  condition: string
  measured: Measured | null
  raw: string
  disposition: Disposition
  sentence: string
  rule: string
  overridden: string | null
  sure: boolean
  by: string
  at: string
  entry: string
}

export interface ReadingData {
  raw: string
  value: number
  gauge: string | null
  verdict: 'in' | 'out' | 'doubtful'
  headline: string
  /** what the sheet said then */
  asWritten: string
  specRev: string
  by: string
  at: string
  entry: string
}

export interface OrderLine {
  what: 'kit' | 'single' | 'shelf'
  code: string
  supplier: string
  quantity: number
  priceMinor: number
  serves: readonly string[]
}

export interface Order {
  entry: string
  lines: readonly OrderLine[]
  totalMinor: number
  arrives: string
  arrived: boolean
}

export const emptyBody: BodyState = {
  tests: {},
  marks: {},
  features: {},
  ident: null,
  asFound: {},
  asFoundSkipped: {},
  unlocked: null,
  off: {},
  on: {},
  findings: {},
  readings: {},
}

export const emptyJob = (job: string): JobState => ({
  job,
  seq: 0,
  log: [],
  opened: null,
  closed: null,
  returned: null,
  estimate: null,
  bodies: {},
  orders: [],
  answer: null,
  passes: {},
  notes: [],
})

/** A bank is two to six single bodies on one rail. */
export const MOST_BODIES = 6

export const bodiesOf = (state: JobState): number => state.opened?.bodies ?? 1

/** The numbers of the job's bodies, from 1. */
export const bodyNumbers = (state: JobState): number[] =>
  Array.from({ length: bodiesOf(state) }, (_, i) => i + 1)

/** Names a thing of one body where things of the whole job are listed; body 1 needs no prefix. */
export const bodyKey = (body: number, key: string): string => (body === 1 ? key : `${body}#${key}`)

/** The body and the thing that such a name says. */
export function readBodyKey(named: string): { body: number; key: string } {
  const read = /^(\d)#(.*)$/s.exec(named)
  return read ? { body: Number(read[1]), key: read[2]! } : { body: 1, key: named }
}

export const bodyOf = (state: JobState, body = 1): BodyState => state.bodies[body] ?? emptyBody

export const lastSaid = <T>(judged: Judged<T> | undefined): T | undefined => judged?.said.at(-1)
