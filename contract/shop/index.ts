import { isDate } from '@ekrond/core/base/days'
import { isCleanText, line, MOST, UNCLEAN_SENTENCE } from '@ekrond/core/base/limits'
import { gaugeKinds } from '@ekrond/core/measure'
import * as v from 'valibot'

export const Person = v.object({ person: v.string(), name: v.string(), initials: v.string() })
export const GaugeRow = v.object({
  code: v.string(),
  name: v.string(),
  kind: v.picklist(gaugeKinds),
  resolutionMm: v.number(),
  repeatabilityMm: v.number(),
  /** the day on which it was last known to be good, and on which it was found off; null where nobody said */
  goodOn: v.nullable(v.string()),
  offOn: v.nullable(v.string()),
})

const millimetres = v.pipe(
  v.number(),
  v.minValue(0, 'Must be 0 or more.'),
  v.maxValue(10, 'Must be at most 10 mm.'),
)

const day = v.nullable(
  v.pipe(v.string(), v.isoDate('That is not a date.'), v.check(isDate, 'That date does not exist.')),
)

/** Whether a clock runs in that zone. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

/** What a shop says of itself, as it is edited. */
export const ShopSettings = v.object({
  name: line('Enter the shop’s name.'),
  place: v.pipe(v.string(), v.trim(), v.check(isCleanText, UNCLEAN_SENTENCE), v.maxLength(MOST.name)),
  zone: v.pipe(
    line('Enter the time zone.'),
    v.check(isZone, 'That is not a time zone. Write it as Europe/Vienna, or UTC.'),
  ),
  currency: v.object({
    code: v.pipe(v.string(), v.regex(/^[A-Z]{3}$/, 'Three capital letters.')),
    exponent: v.picklist([0, 1, 2, 3, 4]),
  }),
  workingDays: v.pipe(
    v.array(v.picklist([1, 2, 3, 4, 5, 6, 7])),
    v.minLength(1, 'Choose at least one working day.'),
  ),
  hourMinor: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000_000)),
  /** room in the warm tank, hung clear of its bottom; changes of before lack it */
  tankLitres: v.optional(
    v.pipe(
      v.number(),
      v.minValue(0.5, 'The tank volume must be at least 0.5 L.'),
      v.maxValue(500, 'The tank volume must be at most 500 L.'),
    ),
    6,
  ),
  /** how long it stands by its work, days; changes of before lack it */
  warrantyDays: v.optional(
    v.pipe(v.number(), v.integer('Whole days.'), v.minValue(0), v.maxValue(3650, 'At most ten years.')),
    90,
  ),
  people: v.pipe(
    v.array(line('Enter a name.', MOST.person)),
    v.maxLength(60),
    v.check(
      (names) => new Set(names).size === names.length,
      'Two people have the same name. Add an initial.',
    ),
  ),
  gauges: v.pipe(
    v.array(
      v.object({
        code: line('Enter the gauge’s number.', MOST.code),
        name: line('Enter the gauge’s name.'),
        kind: v.picklist(gaugeKinds),
        resolutionMm: millimetres,
        repeatabilityMm: millimetres,
        /** changes of before lack both */
        goodOn: v.optional(day, null),
        offOn: v.optional(day, null),
      }),
    ),
    v.maxLength(200),
    v.check(
      (all) => new Set(all.map(({ code }) => code)).size === all.length,
      'Two gauges have the same number.',
    ),
    v.check(
      (all) => all.every(({ goodOn, offOn }) => !goodOn || !offOn || goodOn <= offOn),
      'The last known good day must be before the day it was found off. Check both days.',
    ),
  ),
})
export type ShopSettings = v.InferOutput<typeof ShopSettings>

export const ShopBody = v.object({
  /** the version that was edited: a newer one in between is a conflict */
  version: v.pipe(v.number(), v.integer(), v.minValue(0)),
  by: line('Choose the technician.', MOST.person),
  settings: ShopSettings,
})
export const ShopSaved = v.object({ version: v.number() })
export const ShopHistoryAnswer = v.object({
  changes: v.array(v.object({ version: v.number(), at: v.string(), by: v.string(), settings: ShopSettings })),
})
export type ShopHistoryAnswer = v.InferOutput<typeof ShopHistoryAnswer>

export const ShopAnswer = v.object({
  /** grows with each change on screen; 0 while there was none */
  version: v.number(),
  name: v.string(),
  place: v.string(),
  zone: v.string(),
  currency: v.object({ code: v.string(), exponent: v.number() }),
  /** 1 Monday … 7 Sunday */
  workingDays: v.array(v.number()),
  /** the price of an hour at the bench */
  hourMinor: v.number(),
  /** room in the warm tank, litres */
  tankLitres: v.number(),
  /** how long it stands by its work, days; 0 where it says nothing of it */
  warrantyDays: v.number(),
  now: v.string(),
  today: v.string(),
  people: v.array(Person),
  gauges: v.array(GaugeRow),
  makers: v.array(v.object({ code: v.string(), numbering: v.string() })),
})
export type ShopAnswer = v.InferOutput<typeof ShopAnswer>

/** Whether what the shop has is kept. */
export const KeepingAnswer = v.object({
  /** a fact of its database: the demo's, a shop's own, or nothing entered yet */
  kind: v.picklist(['demo', 'real', 'new']),
  disk: v.object({
    state: v.picklist(['ok', 'low', 'full', 'unknown']),
    freeBytes: v.nullable(v.number()),
  }),
  backup: v.object({
    /** off: none is made by itself here */
    state: v.picklist(['ok', 'none', 'old', 'failed', 'off']),
    at: v.nullable(v.string()),
    why: v.string(),
  }),
})
export type KeepingAnswer = v.InferOutput<typeof KeepingAnswer>

export const HealthAnswer = v.object({
  ok: v.boolean(),
  database: v.boolean(),
  /** room on the disk of the shop's data; unknown where that lies elsewhere */
  disk: v.picklist(['ok', 'low', 'full', 'unknown']),
  version: v.string(),
})
