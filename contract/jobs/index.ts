import { Envelope } from '@ekrond/core/log'
import { MOST } from '@ekrond/core/base/limits'
import { BuildSheet, SpecSheet } from '@ekrond/core/sheets'
import * as v from 'valibot'

export const JobRow = v.object({
  job: v.string(),
  number: v.number(),
  letter: v.string(),
  customer: v.string(),
  engine: v.string(),
  equipment: v.string(),
  complaint: v.string(),
  promise: v.string(),
  status: v.picklist(['open', 'closed', 'returned']),
  station: v.string(),
  stationState: v.string(),
  line: v.string(),
  listNumber: v.nullable(v.string()),
  arrives: v.nullable(v.string()),
  waitsFor: v.string(),
  bodies: v.number(),
  body: v.number(),
  minutesLeft: v.number(),
  openedAt: v.nullable(v.string()),
  arrivedAt: v.nullable(v.string()),
  lastBy: v.string(),
  lastAt: v.string(),
  /** worked out against today */
  late: v.boolean(),
})
export type JobRow = v.InferOutput<typeof JobRow>

export const JobsQuery = v.object({
  q: v.optional(v.pipe(v.string(), v.maxLength(80)), ''),
  status: v.optional(v.picklist(['open', 'closed', 'returned', 'all']), 'open'),
  by: v.optional(v.pipe(v.string(), v.maxLength(MOST.person)), ''),
  customer: v.optional(v.pipe(v.string(), v.maxLength(MOST.customer)), ''),
  waits: v.optional(
    v.pipe(
      v.picklist(['', '1']),
      v.transform((text) => text === '1'),
    ),
    '',
  ),
  limit: v.optional(
    v.pipe(v.string(), v.regex(/^\d{1,4}$/), v.transform(Number), v.number(), v.maxValue(1000)),
    '200',
  ),
})
export const JobsAnswer = v.object({
  jobs: v.array(JobRow),
  total: v.number(),
  /** everybody who has one of that status here */
  customers: v.array(v.string()),
  today: v.string(),
})
export type JobsAnswer = v.InferOutput<typeof JobsAnswer>

export const LogEntry = v.object({ ...Envelope.entries, seq: v.number(), receivedAt: v.string() })
export type LogEntry = v.InferOutput<typeof LogEntry>

/** Entries as the log has them: each was checked when it was appended, and two thousand are not checked again on their way out. */
const Log = v.custom<LogEntry[]>((value) => Array.isArray(value))

export const SheetsAnswer = v.object({
  specRev: v.string(),
  buildRev: v.string(),
  spec: SpecSheet,
  build: BuildSheet,
})
export type SheetsAnswer = v.InferOutput<typeof SheetsAnswer>

export const SheetsQuery = v.object({
  spec: v.pipe(v.string(), v.maxLength(80)),
  build: v.pipe(v.string(), v.maxLength(80)),
})

const Bears = v.object({
  listNumber: v.string(),
  mark: v.string(),
  features: v.record(v.string(), v.union([v.string(), v.number()])),
})

export const JobAnswer = v.object({
  job: v.string(),
  number: v.number(),
  letter: v.string(),
  seq: v.number(),
  entries: Log,
  /** by body, of each that is identified */
  sheets: v.record(v.string(), SheetsAnswer),
  /** what library and gauge drawer know beyond the log: newer sheets by body, gauges that were found off */
  known: v.object({
    newest: v.record(v.string(), SheetsAnswer),
    gauges: v.array(v.object({ code: v.string(), goodOn: v.nullable(v.string()), foundOffOn: v.string() })),
    /** what the library says each body's list number bears and measures, of a mongrel by half */
    stamped: v.record(v.string(), v.object({ upper: Bears, lower: v.nullable(Bears) })),
  }),
})
export type JobAnswer = v.InferOutput<typeof JobAnswer>

export const JobParams = v.object({ number: v.pipe(v.string(), v.maxLength(60)) })

export const EntriesQuery = v.object({
  after: v.optional(v.pipe(v.string(), v.regex(/^\d{1,9}$/), v.transform(Number), v.number()), '0'),
})
export const EntriesAnswer = v.object({ entries: Log, seq: v.number() })
export type EntriesAnswer = v.InferOutput<typeof EntriesAnswer>

export const MOST_ENTRIES = 100
export const MOST_DATA_BYTES = 16384

export const AppendParams = v.object({ job: v.pipe(v.string(), v.uuid(), v.toLowerCase()) })
export const AppendBody = v.object({
  entries: v.pipe(
    v.array(Envelope),
    v.minLength(1),
    v.maxLength(MOST_ENTRIES, `Send at most ${MOST_ENTRIES} entries at once.`),
  ),
})

export const EntryAnswer = v.variant('outcome', [
  v.object({ id: v.string(), outcome: v.literal('accepted'), seq: v.number(), receivedAt: v.string() }),
  v.object({ id: v.string(), outcome: v.literal('already'), seq: v.number(), receivedAt: v.string() }),
  v.object({
    id: v.string(),
    outcome: v.literal('refused'),
    code: v.string(),
    sentence: v.string(),
    field: v.optional(v.string()),
  }),
])
export type EntryAnswer = v.InferOutput<typeof EntryAnswer>
export const AppendAnswer = v.object({
  answers: v.array(EntryAnswer),
  seq: v.number(),
  number: v.nullable(v.number()),
  letter: v.nullable(v.string()),
})
export type AppendAnswer = v.InferOutput<typeof AppendAnswer>

export const CustomersQuery = v.object({
  q: v.optional(v.pipe(v.string(), v.maxLength(80)), ''),
})
export const CustomersAnswer = v.object({
  customers: v.array(
    v.object({
      customer: v.string(),
      engine: v.string(),
      equipment: v.string(),
      jobs: v.number(),
      /** number of the last job of this engine that went back: what it may be a comeback of */
      lastReturned: v.nullable(v.number()),
    }),
  ),
})
export type CustomersAnswer = v.InferOutput<typeof CustomersAnswer>

export const SheetRevision = v.object({ revision: v.string(), seq: v.number(), sha256: v.string() })
export const SheetQuery = v.object({ revision: v.optional(v.pipe(v.string(), v.regex(/^[A-Z]{1,2}$/))) })
export const SheetsOfJobAnswer = v.object({ sheets: v.array(SheetRevision) })
export type SheetsOfJobAnswer = v.InferOutput<typeof SheetsOfJobAnswer>
