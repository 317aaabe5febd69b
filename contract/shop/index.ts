import { gaugeKinds } from '@ekrond/core/measure'
import * as v from 'valibot'

export const Person = v.object({ person: v.string(), name: v.string(), initials: v.string() })
export const GaugeRow = v.object({
  code: v.string(),
  name: v.string(),
  kind: v.picklist(gaugeKinds),
  resolutionMm: v.number(),
  repeatabilityMm: v.number(),
})

export const ShopAnswer = v.object({
  name: v.string(),
  place: v.string(),
  zone: v.string(),
  currency: v.object({ code: v.string(), exponent: v.number() }),
  /** 1 Monday … 7 Sunday */
  workingDays: v.array(v.number()),
  /** the price of an hour at the bench */
  hourMinor: v.number(),
  now: v.string(),
  today: v.string(),
  people: v.array(Person),
  gauges: v.array(GaugeRow),
  makers: v.array(v.object({ code: v.string(), numbering: v.string() })),
})
export type ShopAnswer = v.InferOutput<typeof ShopAnswer>

export const HealthAnswer = v.object({
  ok: v.boolean(),
  database: v.boolean(),
  /** room on the disk of the shop's data; unknown where that lies elsewhere */
  disk: v.picklist(['ok', 'full', 'unknown']),
  version: v.string(),
})
