import * as v from 'valibot'
import { isDate } from '../base/days/index.ts'
import { isCleanText, line, MOST, UNCLEAN_SENTENCE } from '../base/limits/index.ts'

/** What every entry of a job's log bears. Order is `seq` and nothing else; `at` is the client's clock, `receivedAt` the server's. */
export const Uuid = v.pipe(v.string(), v.uuid(), v.toLowerCase())

/** Years in which a shop can have worked or promised: anything else is a slip, or beyond what a calendar holds. */
const YEARS = [2000, 2199] as const
const inYears = (text: string): boolean => {
  const year = Number(text.slice(0, 4))
  return year >= YEARS[0] && year <= YEARS[1]
}

/** A moment: its day must be in the calendar, which a clock’s own reader does not ask (30 February is its 2 March). */
export const Instant = v.pipe(
  v.string(),
  v.isoTimestamp(),
  v.check((text) => isDate(text.slice(0, 10)), 'That date does not exist. Check the last day of the month.'),
  v.check((text) => inYears(text) && !Number.isNaN(Date.parse(text)), 'That moment is in no year of a shop.'),
)
export const LocalDate = v.pipe(
  v.string(),
  v.isoDate(),
  v.check(isDate, 'That date does not exist. Check the last day of the month.'),
  v.check(inYears, 'That day is in no year of a shop.'),
)
const clean = v.check(isCleanText, UNCLEAN_SENTENCE)
export const PersonName = line('Choose the technician.', MOST.person)
/** A gauge as the shop numbers it. */
export const GaugeCode = v.pipe(v.string(), v.minLength(1), v.maxLength(MOST.code), clean)
/** A stored value of a setting: mm, eighths, notches (lean ones below 0), holes. */
export const Amount = v.pipe(v.number(), v.minValue(-99), v.maxValue(10_000))
/** The name of a part, a setting, a feature: it becomes a key, so that no word of the language may pass for one. */
export const Code = v.pipe(
  v.string(),
  v.minLength(1),
  v.maxLength(MOST.code),
  v.regex(
    /^(?!__proto__$|constructor$|prototype$)[\p{L}\p{N}_.#:/ -]+$/u,
    'That is no name of a part or setting.',
  ),
)
export const FreeWords = v.pipe(v.string(), v.maxLength(2000))
export const SomeWords = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'Give the reason in a few words.'),
  v.maxLength(2000),
)

export const Envelope = v.object({
  id: Uuid,
  job: Uuid,
  kind: v.pipe(v.string(), v.maxLength(40), clean),
  v: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000)),
  body: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6))),
  half: v.optional(v.picklist(['whole', 'upper', 'lower'])),
  data: v.unknown(),
  by: PersonName,
  at: Instant,
  corrects: v.optional(Uuid),
  after: v.optional(Uuid),
  /** the last seq that its window had: evidence is of that moment. Windows of before name none */
  saw: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0))),
})

/** An entry on its way to the log: the server has not given it a place yet. */
export type UnsentEntry = v.InferOutput<typeof Envelope>

export interface Entry extends UnsentEntry {
  seq: number
  receivedAt: string
}
