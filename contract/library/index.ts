import * as v from 'valibot'
import { isListNumber, line, LIST_NUMBER_SENTENCE, MOST } from '@ekrond/core/base/limits'
import { BuildSheet, sources, SpecSheet } from '@ekrond/core/sheets'
import { SheetsAnswer } from '../jobs/index.ts'

export const CandidateRow = v.object({
  id: v.string(),
  maker: v.string(),
  mark: v.string(),
  weight: v.number(),
  features: v.record(v.string(), v.union([v.string(), v.number()])),
  /** other numbers that may stand on it: older ones, those merged into it */
  aliases: v.array(v.string()),
})
export const CatalogueAnswer = v.object({ candidates: v.array(CandidateRow) })
export type CatalogueAnswer = v.InferOutput<typeof CatalogueAnswer>

export const ListNumbersQuery = v.object({
  q: v.optional(v.pipe(v.string(), v.maxLength(60)), ''),
  limit: v.optional(
    v.pipe(v.string(), v.regex(/^\d{1,4}$/), v.transform(Number), v.number(), v.maxValue(500)),
    '100',
  ),
})
export const ListNumberRow = v.object({
  listNumber: v.string(),
  maker: v.string(),
  model: v.string(),
  modelName: v.string(),
  mark: v.string(),
  /** older numbers that it takes the place of */
  supersedes: v.array(v.string()),
  features: v.record(v.string(), v.union([v.string(), v.number()])),
  /** how many of them went back from here */
  seen: v.number(),
})
export const ListNumbersAnswer = v.object({ listNumbers: v.array(ListNumberRow), total: v.number() })
export type ListNumbersAnswer = v.InferOutput<typeof ListNumbersAnswer>

export const ListNumberParams = v.object({ listNumber: v.pipe(v.string(), v.maxLength(MOST.code)) })
/** What the list numbers of a model are set and calibrated to, each by its newest sheet. */
export const ModelAnswer = v.object({
  variants: v.array(
    v.object({
      listNumber: v.string(),
      displacementL: v.number(),
      /** taught in this shop, and by no book */
      ours: v.boolean(),
      settings: v.array(
        v.object({
          code: v.string(),
          place: v.string(),
          name: v.string(),
          asWritten: v.string(),
          target: v.nullable(v.number()),
        }),
      ),
      calibration: v.array(
        v.object({ code: v.string(), place: v.string(), name: v.string(), mm: v.nullable(v.number()) }),
      ),
    }),
  ),
})
export type ModelAnswer = v.InferOutput<typeof ModelAnswer>
export const ModelParams = v.object({ model: v.pipe(v.string(), v.maxLength(MOST.code)) })

export const ListNumberAnswer = v.object({
  ...v.omit(ListNumberRow, ['seen']).entries,
  sheets: SheetsAnswer,
  /** how many of them went back from here */
  returned: v.number(),
  /** list numbers that it can stand in for, and that can stand in for it, each with its condition */
  fitsAs: v.array(v.object({ listNumber: v.string(), words: v.string() })),
  fittedBy: v.array(v.object({ listNumber: v.string(), words: v.string() })),
  /** the number that stands for it since both were found to be one unit */
  mergedInto: v.nullable(v.string()),
  /** those that it stands for */
  merged: v.array(v.string()),
  /** newer numbers that took its place */
  supersededBy: v.array(v.string()),
  /** what was done to it as a whole, the newest first */
  changes: v.array(v.object({ at: v.string(), by: v.string(), what: v.string(), why: v.string() })),
})
export type ListNumberAnswer = v.InferOutput<typeof ListNumberAnswer>

const some = (sentence: string) => line(sentence, MOST.words)

/** One value of a list number put right: always a new revision, with who and why. Jobs keep the one that they stand on. */
export const CorrectionBody = v.object({
  /** the spec revision that was looked at: a newer one in between is a conflict */
  rev: v.pipe(v.string(), v.maxLength(80)),
  by: some('Choose the technician.'),
  why: some('Give the reason in a few words.'),
  /** the setting as `code/place` */
  setting: v.pipe(v.string(), v.maxLength(80)),
  asWritten: some('Type the value.'),
  target: v.number(),
  lo: v.nullable(v.number()),
  hi: v.nullable(v.number()),
  source: v.picklist(sources),
})
export type CorrectionBody = v.InferOutput<typeof CorrectionBody>
export const CorrectionAnswer = v.object({ specRev: v.string() })

/** One fact of a taught unit, measured on another unit of its number: the next spec revision. */
export const MeasuredBody = v.object({
  rev: v.pipe(v.string(), v.maxLength(80)),
  by: some('Choose the technician.'),
  why: some('Enter which unit it was measured on.'),
  fact: v.pipe(v.string(), v.maxLength(40)),
  raw: some('Type what the gauge shows.'),
})
export type MeasuredBody = v.InferOutput<typeof MeasuredBody>

const number = v.pipe(line('Type the other number.', MOST.code), v.check(isListNumber, LIST_NUMBER_SENTENCE))
const asked = { by: some('Choose the technician.'), why: some('Give the reason in a few words.') }
/** A list number made after another one of its model. */
export const CopyBody = v.object({
  as: number,
  mark: v.pipe(v.string(), v.trim(), v.maxLength(60)),
  ...asked,
})
export type CopyBody = v.InferOutput<typeof CopyBody>
/** That it took an older number's place, whether the library has that one or not. */
export const SupersedeBody = v.object({ older: number, ...asked })
export type SupersedeBody = v.InferOutput<typeof SupersedeBody>
/** That another number is the same unit; null parts them again. */
export const MergeBody = v.object({ into: v.nullable(number), ...asked })
export type MergeBody = v.InferOutput<typeof MergeBody>
export const NumberDone = v.object({ listNumber: v.string() })

/** One list number as a file, so that two shops can share it (`docs/formats.md`). */
export const ListNumberFile = v.object({
  format: v.literal(1),
  what: v.literal('list number'),
  listNumber: v.pipe(line('Enter the list number.', MOST.code), v.check(isListNumber, LIST_NUMBER_SENTENCE)),
  maker: some('Enter the maker, or leave it unknown.'),
  modelName: some('Enter the model.'),
  mark: v.pipe(v.string(), v.maxLength(60)),
  features: v.record(v.string(), v.union([v.string(), v.number()])),
  spec: SpecSheet,
  build: BuildSheet,
})
export type ListNumberFile = v.InferOutput<typeof ListNumberFile>
export const TakeInBody = v.object({ by: some('Choose the technician.'), file: ListNumberFile })
export const TakenIn = v.object({ listNumber: v.string() })

/** Each value of a list number's sheets through their revisions, oldest first. */
export const RevisionsAnswer = v.object({
  revisions: v.array(
    v.object({
      revision: v.string(),
      kind: v.string(),
      addedAt: v.string(),
      /** who corrected it, and why; empty where it came with a catalogue */
      by: v.string(),
      why: v.string(),
    }),
  ),
  values: v.record(
    v.string(),
    v.array(v.object({ revision: v.string(), asWritten: v.string(), source: v.string() })),
  ),
})
export type RevisionsAnswer = v.InferOutput<typeof RevisionsAnswer>

/**
 * Similar units: the same family by draft, barrels and what throttles it, a throttle bore within a tenth where one was measured, and
 * for a float’s settings the same datum, which `sense` tells: 1 read from the floor, -1 from the face.
 */
export const RelativesQuery = v.object({
  draft: v.picklist(['down', 'up', 'side']),
  barrels: v.pipe(v.string(), v.regex(/^[1-4]$/), v.transform(Number)),
  throttle: v.optional(v.picklist(['fixed venturi', 'slide', 'diaphragm'])),
  sense: v.optional(v.pipe(v.picklist(['1', '-1']), v.transform(Number))),
  bore: v.optional(
    v.pipe(v.string(), v.regex(/^\d{1,3}(\.\d{1,3})?$/), v.transform(Number), v.minValue(1), v.maxValue(200)),
  ),
})
/** By setting: each relative's value (stored units) with its list number and how common it is. */
export const RelativesAnswer = v.object({
  listNumbers: v.array(v.string()),
  settings: v.record(
    v.string(),
    v.array(v.object({ listNumber: v.string(), value: v.number(), weight: v.number() })),
  ),
})
export type RelativesAnswer = v.InferOutput<typeof RelativesAnswer>

export const MarketPart = v.object({
  part: v.string(),
  name: v.string(),
  kind: v.string(),
  material: v.string(),
  tell: v.string(),
  drawing: v.string(),
  usedBy: v.array(v.string()),
})
export const MarketAnswer = v.object({
  suppliers: v.array(v.object({ code: v.string(), name: v.string(), shippingMinor: v.number() })),
  kits: v.array(
    v.object({
      code: v.string(),
      name: v.string(),
      supplier: v.string(),
      priceMinor: v.number(),
      leadDays: v.number(),
      stock: v.number(),
      holds: v.array(v.object({ part: v.string(), quantity: v.number() })),
    }),
  ),
  singles: v.array(
    v.object({ part: v.string(), supplier: v.string(), priceMinor: v.number(), leadDays: v.number() }),
  ),
  shelf: v.array(v.object({ part: v.string(), quantity: v.number() })),
  parts: v.array(MarketPart),
})
export type MarketAnswer = v.InferOutput<typeof MarketAnswer>

export const ImportBody = v.object({
  /** path in the folder → contents */
  files: v.record(v.pipe(v.string(), v.maxLength(300)), v.string()),
  /** false: only say what it would change */
  take: v.boolean(),
})
const Differences = v.array(
  v.object({
    about: v.picklist(['setting', 'calibration', 'part']),
    name: v.string(),
    a: v.string(),
    b: v.string(),
  }),
)
export const ImportAnswer = v.object({
  taken: v.boolean(),
  errors: v.array(
    v.object({
      file: v.string(),
      row: v.nullable(v.number()),
      column: v.nullable(v.string()),
      sentence: v.string(),
    }),
  ),
  preview: v.nullable(
    v.object({
      listNumbers: v.number(),
      parts: v.number(),
      kits: v.number(),
      newListNumbers: v.array(v.string()),
      changed: v.array(
        v.object({
          listNumber: v.string(),
          kind: v.picklist(['spec', 'build']),
          differences: Differences,
        }),
      ),
    }),
  ),
})
export type ImportAnswer = v.InferOutput<typeof ImportAnswer>

/** What a table's cell holds: text of at most so many characters, which may be empty or not; a figure. */
export type Column = { text: number; empty?: true } | 'whole' | 'number'

const code = { text: MOST.code } as const
const name = { text: MOST.name } as const
const words = { text: MOST.words, empty: true } as const
const customer = { text: MOST.customer } as const

/** A catalogue's flat files: their columns, units in the headers. */
export const TABLES = {
  'parts.csv': { part: code, name, kind: name, material: words, tell: words, drawing: words },
  'suppliers.csv': { supplier: code, name, shipping_minor: 'whole' },
  'prices.csv': { part: code, supplier: code, price_minor: 'whole', lead_days: 'whole' },
  'kits.csv': {
    kit: code,
    name,
    supplier: code,
    price_minor: 'whole',
    lead_days: 'whole',
    stock: 'whole',
  },
  'kit-holds.csv': { kit: code, part: code, quantity: 'whole' },
  'shelf.csv': { part: code, quantity: 'whole' },
  'gauges.csv': { gauge: code, name, kind: name, resolution_mm: 'number', repeatability_mm: 'number' },
  'people.csv': { person: { text: MOST.person }, name: { text: MOST.person }, initials: code },
  'customers.csv': { customer, engine: customer, equipment: customer },
} as const satisfies Record<string, Record<string, Column>>
