import { isCleanText, line, MOST, UNCLEAN_SENTENCE } from '@ekrond/core/base/limits'
import { partKinds } from '@ekrond/core/sheets'
import * as v from 'valibot'

/** What a shop buys and keeps: loose parts with their prices and what lies in the drawer, kits, and who sells them. */

/** A line that may be left empty. */
const maybe = (most: number = MOST.name) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.check(isCleanText, UNCLEAN_SENTENCE),
    v.maxLength(most, `At most ${most} characters.`),
  )
const money = v.pipe(
  v.number(),
  v.integer(),
  v.minValue(0, 'The price must be 0 or more.'),
  v.maxValue(1e9, 'That price has too many digits.'),
)
const days = v.pipe(
  v.number(),
  v.integer('Whole working days.'),
  v.minValue(0, 'Days must be 0 or more.'),
  v.maxValue(365, 'Delivery must be within a year.'),
)
const pieces = (least: number, sentence: string) =>
  v.pipe(v.number(), v.integer('Whole pieces.'), v.minValue(least, sentence), v.maxValue(100_000))
const code = line('Enter the number.', MOST.code)

const areUnlike = (codes: readonly string[]) => new Set(codes).size === codes.length

export const StorePart = v.object({
  code,
  name: line('Enter the part’s name.'),
  kind: v.picklist(partKinds, 'Choose the kind of part.'),
  material: maybe(),
  /** how it is told from those that look like it */
  tell: maybe(MOST.words),
  /** a gasket's outline in words; empty for what its kind draws */
  drawing: maybe(MOST.words),
  /** in the drawer */
  shelf: pieces(0, 'The number in the drawer must be 0 or more.'),
  prices: v.pipe(
    v.array(
      v.object({
        supplier: line('Enter the supplier.', MOST.code),
        priceMinor: money,
        leadDays: days,
      }),
    ),
    v.maxLength(40),
    v.check(
      (all) => areUnlike(all.map(({ supplier }) => supplier)),
      'A supplier is listed twice. Keep one price each.',
    ),
  ),
})
export const StoreKit = v.object({
  code,
  name: line('Enter the kit’s name.'),
  supplier: line('Enter the supplier.', MOST.code),
  priceMinor: money,
  leadDays: days,
  stock: pieces(0, 'The number on the shelf must be 0 or more.'),
  holds: v.pipe(
    v.array(
      v.object({
        part: line('Choose the part.', MOST.code),
        quantity: pieces(1, 'The quantity must be 1 or more.'),
      }),
    ),
    v.minLength(1, 'Add the parts of the kit.'),
    v.maxLength(200),
    v.check(
      (all) => areUnlike(all.map(({ part }) => part)),
      'A part is listed twice. Add the quantities together.',
    ),
  ),
})
export const StoreSupplier = v.object({
  code,
  name: line('Enter the supplier’s name.'),
  /** what a delivery costs, once an order */
  shippingMinor: money,
})

export const storeKinds = ['part', 'kit', 'supplier'] as const
export type StoreKind = (typeof storeKinds)[number]
export const storeSchemas = { part: StorePart, kit: StoreKit, supplier: StoreSupplier } as const
export type StoreRecord<K extends StoreKind = StoreKind> = v.InferOutput<(typeof storeSchemas)[K]>

export const StoreParams = v.object({ what: v.picklist(storeKinds), code: v.string() })
export const StoresParams = v.object({ what: v.picklist(storeKinds) })
export const StoresQuery = v.object({
  q: v.optional(v.pipe(v.string(), v.maxLength(80)), ''),
  /** of parts: only those of this kind; empty for all */
  kind: v.optional(v.pipe(v.string(), v.maxLength(40)), ''),
})
export const StoresAnswer = v.object({
  rows: v.array(
    v.object({
      code: v.string(),
      name: v.string(),
      words: v.string(),
      /** what a part is, for its shape; empty for kits and suppliers */
      kind: v.string(),
    }),
  ),
  /** how many there are in all */
  count: v.number(),
  /** every kind of part that the shop has, also beyond the rows */
  kinds: v.array(v.string()),
})
export type StoresAnswer = v.InferOutput<typeof StoresAnswer>

/** As it stands, also where an import brought what today's rules would not take. */
const kept = v.nullable(v.looseObject({ code: v.string() }))
export const StoreAnswer = v.object({
  version: v.number(),
  /** null where it was taken out */
  record: kept,
  /** where it is used: list numbers, kits, parts with a price */
  usedBy: v.array(v.string()),
  changes: v.array(
    v.object({
      version: v.number(),
      at: v.string(),
      by: v.string(),
      record: kept,
    }),
  ),
})
type Kept = v.InferOutput<typeof StoreAnswer>
export type StoreAnswer<K extends StoreKind = StoreKind> = Omit<Kept, 'record' | 'changes'> & {
  record: StoreRecord<K> | null
  changes: (Omit<Kept['changes'][number], 'record'> & { record: StoreRecord<K> | null })[]
}

/** Each change of a whole shop's stores, as it is exported. */
export const StoreHistory = v.array(
  v.object({
    what: v.picklist(storeKinds),
    code: v.string(),
    version: v.pipe(v.number(), v.integer(), v.minValue(1)),
    at: v.string(),
    by: v.pipe(v.string(), v.minLength(1)),
    record: kept,
  }),
)

export const StoreBody = v.object({
  /** the version that was edited: a newer one in between is a conflict */
  version: v.pipe(v.number(), v.integer(), v.minValue(0)),
  by: line('Choose the technician.', MOST.code),
  /** null takes it out */
  record: v.nullable(v.unknown()),
})
export const StoreSaved = v.object({ version: v.number() })
