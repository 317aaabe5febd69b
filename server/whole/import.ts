import { type DataOf, checkData, Envelope, fold, type Entry } from '@ekrond/core/job'
import { summarise } from '@ekrond/core/stations'
import { BuildSheet, SpecSheet } from '@ekrond/core/sheets'
import * as v from 'valibot'
import { inTransaction, type Client, type Pool } from '../db/pool.ts'
import type { Files } from '../import/files.ts'
import { Head, readJson, type ImportError } from '../import/read.ts'
import type { Progress, Tell } from '../import/tell.ts'
import { readTable, readTables, type Row } from '../import/tables.ts'
import { insertRows, writeShop, writeTables } from '../import/write.ts'
import { jobCache } from '../jobs/append.ts'
import { insertEntries, insertJob, insertReturnSheet } from '../jobs/jobs.sql.ts'

const ListNumbers = v.array(
  v.object({
    listNumber: v.string(),
    model: v.string(),
    mark: v.string(),
    weight: v.number(),
    features: v.record(v.string(), v.union([v.string(), v.number()])),
    supersedes: v.array(v.string()),
    fitsAs: v.array(v.object({ listNumber: v.string(), words: v.string() })),
    /** files of before have neither */
    mergedInto: v.optional(v.nullable(v.string()), null),
    changes: v.optional(
      v.array(
        v.object({
          number: v.pipe(v.number(), v.integer(), v.minValue(1)),
          at: v.string(),
          by: v.pipe(v.string(), v.minLength(1)),
          what: v.string(),
          why: v.string(),
        }),
      ),
      [],
    ),
  }),
)
const revision = {
  revision: v.string(),
  number: v.number(),
  sha256: v.string(),
  addedAt: v.pipe(v.string(), v.isoTimestamp()),
  /** files of before have neither */
  by: v.optional(v.string(), ''),
  why: v.optional(v.string(), ''),
}
const Revisions = v.array(
  v.variant('kind', [
    v.object({ ...revision, kind: v.literal('spec'), sheet: SpecSheet }),
    v.object({ ...revision, kind: v.literal('build'), sheet: BuildSheet }),
  ]),
)
/** As much of a page of a return sheet as its paper cannot do without. */
const SheetPage = v.looseObject({
  listNumber: v.string(),
  rows: v.array(
    v.looseObject({ name: v.string(), spec: v.string(), asFound: v.string(), asLeft: v.string() }),
  ),
  startUp: v.looseObject({ lines: v.array(v.string()) }),
})
const JobFile = v.object({
  format: v.literal(1),
  job: v.pipe(v.string(), v.uuid()),
  number: v.pipe(v.number(), v.integer(), v.minValue(1)),
  entries: v.pipe(
    v.array(v.object({ ...Envelope.entries, seq: v.number(), receivedAt: v.string() })),
    v.minLength(1),
  ),
  sheets: v.array(
    v.object({
      revision: v.pipe(v.string(), v.regex(/^[A-Z]{1,2}$/, 'A revision is one or two capitals.')),
      seq: v.pipe(v.number(), v.integer(), v.minValue(1)),
      sha256: v.string(),
      document: v.pipe(
        v.union([v.array(SheetPage), SheetPage]),
        v.check(
          (pages) => !Array.isArray(pages) || pages.length > 0,
          'A return sheet has at least one page.',
        ),
      ),
    }),
  ),
})

/** Thrown to roll everything back: what is wrong, by file, row and column. */
export class WholeShopFaults extends Error {
  constructor(readonly errors: ImportError[]) {
    super(`${errors.length} faults`)
  }
}

/** Whether a folder holds a whole shop, rather than a catalogue. */
export const isWholeShop = (files: Files): boolean => files.read('shop.json') !== undefined

/**
 * Takes a whole shop in, into an empty one: library with every revision, tables, each job's log as it was. The rows of the rack are
 * made from the logs. All or nothing, in one transaction; faults are told by file, row and column.
 */
export function importShop(
  pool: Pool,
  files: Files,
  progress?: Progress,
): Promise<{ jobs: number; entries: number }> {
  return inTransaction(pool, async (client) => {
    const { rows } = await client.query<{ jobs: number; numbers: number }>(
      'select (select count(*) from job) as jobs, (select count(*) from list_number) as numbers',
    )
    const errors: ImportError[] = []
    const tell: Tell = (file, row, column, sentence) => void errors.push({ file, row, column, sentence })
    if (rows[0]!.jobs || rows[0]!.numbers) {
      tell(
        'shop.json',
        null,
        null,
        `This shop is not empty: it has ${rows[0]!.jobs} jobs and ${rows[0]!.numbers} list numbers. A whole shop is taken into an empty one; start it with EKROND_DEMO=off on a database of its own.`,
      )
      throw new WholeShopFaults(errors)
    }
    const head = readJson(files, 'shop.json', Head, tell)
    const tables = await readTables(files, tell, progress)
    const models: Row[] = []
    for await (const model of await readTable(
      files,
      'models.csv',
      { model: 'text', maker: 'text', name: 'text' },
      tell,
    ))
      models.push(model)
    const numbers = readJson(files, 'list-numbers.json', ListNumbers, tell) ?? []
    const revisions = numbers.flatMap(({ listNumber }) =>
      (readJson(files, `revisions/${encodeURIComponent(listNumber)}.json`, Revisions, tell) ?? []).map(
        ({ addedAt, ...row }) => ({ ...row, list_number: listNumber, added_at: addedAt }),
      ),
    )
    if (head) tellMissing(head, models, numbers, tell)
    // Nothing is written before all that can be read at once was read.
    if (errors.length || !head) throw new WholeShopFaults(errors)
    await writeShop(client, head)
    await insertRows(client, 'shop_change', head.changes)
    await insertRows(client, 'store_change', head.stores)
    await insertRows(client, 'model', models)
    await insertRows(
      client,
      'list_number',
      // Those that stand for others come first.
      [...numbers]
        .sort((a, b) => Number(a.mergedInto !== null) - Number(b.mergedInto !== null))
        .map(({ listNumber, fitsAs, mergedInto, changes: _, ...row }) => ({
          ...row,
          list_number: listNumber,
          fits_as: fitsAs,
          merged_into: mergedInto,
        })),
    )
    await insertRows(
      client,
      'list_number_change',
      numbers.flatMap(({ listNumber, changes }) =>
        changes.map((change) => ({ ...change, list_number: listNumber })),
      ),
    )
    await insertRows(client, 'sheet_revision', revisions)
    await writeTables(client, tables)
    const taken = await importJobs(client, files, new Set(revisions.map((row) => row.revision)), tell)
    if (errors.length) throw new WholeShopFaults(errors)
    return taken
  })
}

/** What a list number or a model stands on must stand in its file. */
function tellMissing(
  head: v.InferOutput<typeof Head>,
  models: readonly Record<string, string | number>[],
  numbers: v.InferOutput<typeof ListNumbers>,
  tell: Tell,
): void {
  const makers = new Set(head.makers.map((maker) => maker.code))
  const known = new Set(models.map((row) => row.model))
  models.forEach((row, i) => {
    if (!makers.has(String(row.maker)))
      tell('models.csv', i + 2, 'maker', `“${row.maker}” does not stand among the makers of shop.json.`)
  })
  numbers.forEach((item, i) => {
    if (!known.has(item.model))
      tell('list-numbers.json', null, `${i}.model`, `“${item.model}” does not stand in models.csv.`)
  })
}

/** The revisions that a log's identifications name. */
const revisionsOf = (log: readonly Entry[]): string[] =>
  log
    .filter((entry) => entry.kind === 'ident.chosen')
    .flatMap((entry) => {
      const { specRev, buildRev, lower } = entry.data as DataOf['ident.chosen']
      return [specRev, buildRev, ...(lower ? [lower.specRev, lower.buildRev] : [])]
    })

async function importJobs(client: Client, files: Files, revisions: ReadonlySet<string>, tell: Tell) {
  const cache = jobCache()
  let jobs = 0
  let entries = 0
  let highest = 0
  for (const file of files.list('jobs')) {
    const read = readJson(files, file, JobFile, tell)
    if (!read) continue
    const log = read.entries as Entry[]
    const faulty = log.findIndex((entry, i) => entry.seq !== i + 1 || entry.job !== read.job)
    if (faulty >= 0) {
      tell(file, null, `entries.${faulty}`, `Entry ${faulty + 1} is not the next of this job’s log.`)
      continue
    }
    const malformed = log.findIndex((entry) => {
      const refused = checkData(entry)
      return refused && refused.code !== 'newer' && refused.code !== 'kind'
    })
    if (malformed >= 0) {
      tell(file, null, `entries.${malformed}.data`, checkData(log[malformed]!)!.sentence)
      continue
    }
    const missing = revisionsOf(log).find((revision) => !revisions.has(revision))
    if (missing !== undefined) {
      tell(
        file,
        null,
        'entries',
        `The revision ${missing} that it was identified to is not among the revisions.`,
      )
      continue
    }
    const state = fold(read.job, log)
    const summary = summarise(state, await cache.sheets(client, state))
    if (!summary) {
      tell(file, null, 'entries', 'The log has no opening.')
      continue
    }
    await insertJob(client, summary, read.number)
    await insertEntries(client, log)
    for (const sheet of read.sheets)
      await insertReturnSheet(client, read.job, sheet.seq, sheet.revision, sheet.sha256, sheet.document)
    jobs++
    entries += log.length
    highest = Math.max(highest, read.number)
  }
  if (highest) await client.query("select setval('job_number', $1)", [highest])
  return { jobs, entries }
}
