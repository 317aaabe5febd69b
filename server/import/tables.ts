import { TABLES, type Column } from '@ekrond/contract/library'
import { isCleanText, isDecimal, isSeen, UNCLEAN_SENTENCE } from '@ekrond/core/base/limits'
import { gaugeKinds } from '@ekrond/core/measure'
import { partKinds } from '@ekrond/core/sheets'
import { CsvError, parse, type Parser } from 'csv-parse'
import { createHash } from 'node:crypto'
import { pipeline, Readable } from 'node:stream'
import { NotAFile, type Files } from './files.ts'
import { LARGEST_WHOLE, type Progress, type Tell } from './tell.ts'

export type Row = Record<string, string | number>
/** A table's rows: kept where they were sent, read from the disk once more where they lie there. */
export type Rows = { readonly length: number } & (Iterable<Row> | AsyncIterable<Row>)
export type TableName = keyof typeof TABLES
export type Tables = Record<TableName, Rows>

/** The columns that tell a table's rows apart. */
const KEYS: Record<TableName, readonly string[]> = {
  'parts.csv': ['part'],
  'suppliers.csv': ['supplier'],
  'prices.csv': ['part', 'supplier'],
  'kits.csv': ['kit'],
  'kit-holds.csv': ['kit', 'part'],
  'shelf.csv': ['part'],
  'gauges.csv': ['gauge'],
  'people.csv': ['person'],
  'customers.csv': ['customer', 'engine', 'equipment'],
}

/** What must stand in another file, which has it as its key: [file, column, the other file]. */
const REFERENCES: [TableName, string, TableName][] = [
  ['prices.csv', 'part', 'parts.csv'],
  ['prices.csv', 'supplier', 'suppliers.csv'],
  ['kits.csv', 'supplier', 'suppliers.csv'],
  ['kit-holds.csv', 'kit', 'kits.csv'],
  ['kit-holds.csv', 'part', 'parts.csv'],
  ['shelf.csv', 'part', 'parts.csv'],
]

/** Those that others point to come first. */
const ORDER = Object.keys(TABLES).sort((a, b) => Number(pointedTo(b)) - Number(pointedTo(a))) as TableName[]
function pointedTo(file: string): boolean {
  return REFERENCES.some(([, , other]) => other === file)
}

/** Rows after which it is told how far the reading is. */
const TELL_EVERY = 100_000
/** Faults of one file after which the rest of it is not read. */
const MOST_FAULTS = 1000
/** Characters of one row, above which a quotation mark must be missing. */
const LONGEST_ROW = 100_000

/**
 * The flat tables that a catalogue and a whole shop have in common, row by row: what is kept meanwhile are the keys alone, so that a
 * table may be larger than the memory.
 */
export async function readTables(files: Files, tell: Tell, progress?: Progress): Promise<Tables> {
  const tables: Partial<Tables> = {}
  const keys = new Map<TableName, Map<string, number>>()
  for (const file of ORDER) {
    const seen = new Map<string, number>()
    keys.set(file, seen)
    const references = REFERENCES.filter(([from]) => from === file)
    const check = (row: Row, at: number, tell: Tell) => {
      if (file === 'gauges.csv' && !(gaugeKinds as readonly unknown[]).includes(row.kind))
        tell(file, at, 'kind', `“${row.kind}” is not a kind of gauge. Known: ${gaugeKinds.join(', ')}.`)
      if (file === 'parts.csv' && !(partKinds as readonly unknown[]).includes(row.kind))
        tell(file, at, 'kind', `“${row.kind}” is not a kind of part. Known: ${partKinds.join(', ')}.`)
      if (file === 'kit-holds.csv' && Number(row.quantity) < 1)
        tell(file, at, 'quantity', 'The quantity must be 1 or more.')
      for (const [, column, other] of references)
        if (row[column] !== '' && !keys.get(other)!.has(String(row[column])))
          tell(file, at, column, `“${row[column]}” is not in ${other}.`)
      const columns = KEYS[file]
      const key = keyOf(columns.map((column) => row[column]).join('\u0000'))
      const before = seen.get(key)
      if (before === undefined) seen.set(key, at)
      else
        tell(
          file,
          at,
          columns[0]!,
          `“${columns.map((column) => row[column]).join(', ')}” is already in row ${before}.`,
        )
    }
    tables[file] = await readTable(files, file, TABLES[file], tell, { check, progress })
  }
  return tables as Tables
}

/** A key as it is kept: what is long is kept by its hash, so that the size of a table's cells does not matter. */
const keyOf = (key: string): string =>
  key.length <= 32 ? key : createHash('sha1').update(key).digest('base64')

interface Watch {
  check?: (row: Row, at: number, tell: Tell) => void
  progress?: Progress | undefined
}

export async function readTable(
  files: Files,
  file: string,
  columns: Record<string, Column>,
  tell: Tell,
  { check, progress }: Watch = {},
): Promise<Rows> {
  let faults = 0
  const tellOne: Tell = (...fault) => {
    faults++
    if (faults <= MOST_FAULTS) tell(...fault)
  }
  const kept: Row[] = []
  let length = 0
  for await (const row of rowsOf(files, file, columns, tellOne)) {
    length++
    check?.(row, length + 1, tellOne)
    if (!files.onDisk) kept.push(row)
    if (length % TELL_EVERY === 0) progress?.(file, length)
    if (faults > MOST_FAULTS) {
      tell(file, length + 1, null, `More than ${MOST_FAULTS} errors; the rest after this row was not read.`)
      break
    }
  }
  if (!files.onDisk) return kept
  return {
    length,
    [Symbol.asyncIterator]: () =>
      rowsOf(files, file, columns, (name, at, column, sentence) => {
        throw new Error(`${name} changed while it was read: row ${at}, ${column}: ${sentence}`)
      }),
  }
}

/** A table's rows as they come; each fault is told, and the row comes all the same. */
async function* rowsOf(
  files: Files,
  file: string,
  columns: Record<string, Column>,
  tell: Tell,
): AsyncGenerator<Row> {
  let header: string[] | undefined
  let at = 0
  try {
    const pieces = files.pieces(file)
    if (!pieces) return tell(file, null, null, 'The file is missing.')
    for await (const cells of records(pieces) as AsyncIterable<string[]>) {
      at++
      if (!header) {
        header = cells
        tellHeader(file, cells, columns, tell)
        continue
      }
      if (cells.length !== header.length)
        tell(file, at, null, `The row has ${cells.length} cells, its header ${header.length}.`)
      const row: Row = {}
      header.forEach((column, k) => {
        row[column] = readCell(
          cells[k] ?? '',
          columns[column] ?? { text: LONGEST_ROW, empty: true },
          (sentence) => tell(file, at, column, sentence),
        )
      })
      yield row
    }
    if (!header) tellHeader(file, [], columns, tell)
  } catch (error) {
    if (error instanceof NotAFile) return tell(file, null, null, error.message)
    if (!isCsvError(error)) throw error
    tell(file, at + 1, null, `The file cannot be read as CSV from here on: ${csvWords(error)}`)
  }
}

function records(pieces: Iterable<string> | AsyncIterable<string>): Parser {
  const parser = parse({
    bom: true,
    skip_empty_lines: true,
    relax_column_count: true,
    max_record_size: LONGEST_ROW,
  })
  // What goes wrong comes out of the parser, where the rows are taken.
  pipeline(Readable.from(pieces), parser, () => undefined)
  return parser
}

const isCsvError = (error: unknown): error is Error & { code: string } => error instanceof CsvError

const csvWords = ({ code }: { code: string }): string => {
  if (code === 'CSV_MAX_RECORD_SIZE')
    return `a row has more than ${LONGEST_ROW} characters. Is a quotation mark missing?`
  if (code === 'CSV_QUOTE_NOT_CLOSED') return 'a quotation mark is not closed.'
  return 'a quotation mark is inside a cell. Double it, and put the cell in quotation marks.'
}

function tellHeader(
  file: string,
  header: readonly string[],
  columns: Record<string, Column>,
  tell: Tell,
): void {
  if (header.length === 1 && header[0]!.includes(';'))
    return tell(file, 1, null, 'Its cells are separated by semicolons. Save it with commas.')
  for (const column of Object.keys(columns))
    if (!header.includes(column))
      tell(file, 1, column, `The column ${column} is missing; units stand in the header.`)
  for (const column of header)
    if (!(column in columns))
      tell(file, 1, column, `Unknown column ${column}. Known: ${Object.keys(columns).join(', ')}.`)
}

function readCell(cell: string, column: Column, tell: (sentence: string) => void): string | number {
  if (!isCleanText(cell)) tell(UNCLEAN_SENTENCE)
  if (typeof column === 'object') {
    const text = cell.trim()
    if (!isSeen(text) && !(column.empty && text === '')) tell('The cell is empty.')
    if (text.length > column.text) tell(`It has ${text.length} characters; at most ${column.text} are kept.`)
    return text
  }
  const value = Number(cell)
  if (!isDecimal(cell.trim())) tell(`“${cell}” must be a number, 0 or more.`)
  else if (column === 'whole' && !Number.isInteger(value)) tell(`“${cell}” must be a whole number.`)
  else if (column === 'whole' && value > LARGEST_WHOLE) tell(`“${cell}” is too large.`)
  return value
}
