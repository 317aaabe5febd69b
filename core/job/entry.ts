import * as v from 'valibot'
import { isDate } from '../days/index.ts'

/** What every entry of a job's log bears. Order is `seq` and nothing else; `at` is the client's clock, `receivedAt` the server's. */
export const Uuid = v.pipe(v.string(), v.uuid())
const Instant = v.pipe(v.string(), v.isoTimestamp())
export const LocalDate = v.pipe(
  v.string(),
  v.isoDate(),
  v.check(isDate, 'That day is not in the calendar. Look at the month’s last day.'),
)
export const Person = v.pipe(v.string(), v.minLength(1), v.maxLength(40))
export const Words = v.pipe(v.string(), v.maxLength(2000))
export const SomeWords = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'Say why in a few words.'),
  v.maxLength(2000),
)

export const Envelope = v.object({
  id: Uuid,
  job: Uuid,
  kind: v.pipe(v.string(), v.maxLength(40)),
  v: v.pipe(v.number(), v.integer(), v.minValue(1)),
  body: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6))),
  half: v.optional(v.picklist(['whole', 'upper', 'lower'])),
  data: v.unknown(),
  by: Person,
  at: Instant,
  corrects: v.optional(Uuid),
  after: v.optional(Uuid),
})

/** An entry on its way to the log: the server has not given it a place yet. */
export type UnsentEntry = v.InferOutput<typeof Envelope>

export interface Entry extends UnsentEntry {
  seq: number
  receivedAt: string
}
