import { StoreHistory } from '@ekrond/contract/stores'
import { isZone, ShopHistoryAnswer } from '@ekrond/contract/shop'
import { isRefusal } from '@ekrond/core/base/refusal'
import { unitFaults } from '@ekrond/core/sheets/library'
import { listNumberSheets, Model, type BuildSheet, type SpecSheet } from '@ekrond/core/sheets'
import * as v from 'valibot'
import { inOurWords, isCleanText, issueSentence, uncleanAt, UNCLEAN_SENTENCE } from '@ekrond/core/log'
import { NotAFile, type Files } from './files.ts'
import { readTables, type Tables } from './tables.ts'
import { LARGEST_WHOLE, type Progress, type Tell } from './tell.ts'

export interface ImportError {
  file: string
  row: number | null
  column: string | null
  sentence: string
}

export const Head = v.object({
  /** 2: a whole shop with its manifest; 1: a catalogue, or a whole shop of before */
  format: v.picklist([1, 2]),
  kind: v.optional(v.picklist(['demo', 'real', 'new']), 'real'),
  shop: v.object({
    name: v.string(),
    place: v.string(),
    zone: v.pipe(v.string(), v.check(isZone, 'That is not a time zone. Write it as Europe/Vienna.')),
    currency: v.object({
      code: v.string(),
      exponent: v.pipe(
        v.number(),
        v.integer(),
        v.minValue(0),
        v.maxValue(4, 'The currency has at most 4 decimal places.'),
      ),
    }),
    /** 1 Monday … 7 Sunday */
    workingDays: v.optional(
      v.pipe(v.array(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(7))), v.minLength(1)),
      [1, 2, 3, 4, 5],
    ),
    /** the price of an hour at the bench, minor units */
    hourMinor: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(LARGEST_WHOLE)), 0),
    /** room in the warm tank, litres */
    tankLitres: v.optional(v.pipe(v.number(), v.minValue(0.5), v.maxValue(500))),
    /** how long it stands by its work, days */
    warrantyDays: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(3650))),
  }),
  makers: v.array(v.object({ code: v.string(), numbering: v.string() })),
  /** of a whole shop: what it said of itself, each time it was changed */
  changes: v.optional(ShopHistoryAnswer.entries.changes, []),
  /** parts, kits and suppliers as they were changed on screen */
  stores: v.optional(StoreHistory, []),
  gaugeChecks: v.optional(
    v.array(v.object({ gauge: v.string(), good_on: v.nullable(v.string()), off_on: v.nullable(v.string()) })),
    [],
  ),
})

export interface ReadCatalogue {
  head: v.InferOutput<typeof Head>
  models: Model[]
  listNumbers: {
    number: string
    model: string
    mark: string
    weight: number
    features: Record<string, string | number>
    fitsAs: { listNumber: string; words: string }[]
    spec: SpecSheet
    build: BuildSheet
  }[]
  tables: Tables
}

/** Reads a catalogue. Every fault is told with its file, row and column; nothing is read halfway. */
export type CatalogueRead = { catalogue: ReadCatalogue } | { errors: ImportError[] }

export async function readCatalogue(files: Files, progress?: Progress): Promise<CatalogueRead> {
  const errors: ImportError[] = []
  const tell = (file: string, row: number | null, column: string | null, sentence: string) =>
    void errors.push({ file, row, column, sentence })

  const head = readJson(files, 'catalogue.json', Head, tell)
  const models: Model[] = []
  const listNumbers: ReadCatalogue['listNumbers'] = []
  for (const file of files.list('models').filter((name) => name.endsWith('.json'))) {
    const model = readJson(files, file, Model, tell)
    if (!model) continue
    models.push(model)
    for (const item of model.listNumbers) {
      const sheets = listNumberSheets(model, item)
      if (isRefusal(sheets)) tell(file, null, item.number, sheets.refused.why)
      else
        listNumbers.push({
          number: item.number,
          model: model.code,
          mark: item.mark,
          weight: item.weight,
          features: item.features,
          fitsAs: item.fitsAs,
          ...sheets,
        })
    }
  }
  tellNumbers(listNumbers, tell)
  if (models.length === 0)
    tell('models', null, null, 'The folder holds no models. Put one JSON file a model into models/.')

  const tables = await readTables(files, tell, progress)
  if (head && head.format !== 1) tell('catalogue.json', null, 'format', 'The format is not known.')
  if (errors.length || !head) return { errors }
  return { catalogue: { head, models, listNumbers, tables } }
}

/** List numbers that stand twice, are none, or take each other's place in a circle. */
function tellNumbers(numbers: ReadCatalogue['listNumbers'], tell: Tell): void {
  const seen = new Set<string>()
  for (const item of numbers) {
    const { number, model } = item
    const file = `models/${model}.json`
    for (const { at, sentence } of unitFaults({ ...item, listNumber: number }))
      tell(file, null, `${number}.${at}`, sentence)
    if (seen.has(number)) tell(file, null, number, 'This list number is listed twice.')
    seen.add(number)
  }
  tellCircles(numbers, 'supersedes', ({ spec }) => spec.supersedes, tell)
  tellCircles(numbers, 'fitsAs', ({ fitsAs }) => fitsAs.map((fit) => fit.listNumber), tell)
}

function tellCircles(
  numbers: ReadCatalogue['listNumbers'],
  column: string,
  next: (item: ReadCatalogue['listNumbers'][number]) => readonly string[],
  tell: Tell,
): void {
  const byNumber = new Map(numbers.map((item) => [item.number, item]))
  const done = new Set<string>()
  const walk = (number: string, way: readonly string[]): void => {
    if (way.includes(number)) {
      const circle = [...way.slice(way.indexOf(number)), number]
      const { model } = byNumber.get(number)!
      return tell(
        `models/${model}.json`,
        null,
        `${number}.${column}`,
        `It refers back to itself: ${circle.join(', ')}.`,
      )
    }
    const item = byNumber.get(number)
    if (!item || done.has(number)) return
    for (const other of next(item)) walk(other, [...way, number])
    done.add(number)
  }
  for (const { number } of numbers) walk(number, [])
}

export function readJson<T>(
  files: Files,
  file: string,
  schema: v.GenericSchema<unknown, T>,
  tell: Tell,
): T | undefined {
  const text = textOf(files, file, tell)
  if (text === undefined) return undefined
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    return void tell(file, null, null, `The file is not JSON, or is incomplete${placeOf(error as Error)}.`)
  }
  const unclean = uncleanAt(value, '')
  if (unclean) return void tell(file, null, unclean.replace(/^\./, ''), UNCLEAN_SENTENCE)
  const read = v.safeParse(schema, value, inOurWords)
  if (read.success) return read.output
  for (const issue of read.issues.slice(0, 20))
    tell(file, null, v.getDotPath(issue) ?? null, issueSentence(issue))
  return undefined
}

/** A file's text; what is in its place instead is told. */
function textOf(files: Files, file: string, tell: Tell): string | undefined {
  try {
    const text = files.read(file)
    if (text === undefined) tell(file, null, null, 'The file is missing.')
    else if (!isCleanText(text)) tell(file, null, null, UNCLEAN_SENTENCE)
    else return text
  } catch (error) {
    if (!(error instanceof NotAFile)) throw error
    tell(file, null, null, error.message)
  }
  return undefined
}

/** The line of a JSON text at which its reader stopped. */
const placeOf = (error: Error): string => {
  const at = /line (\d+)/.exec(error.message)
  return at ? `, at line ${at[1]}` : ''
}
