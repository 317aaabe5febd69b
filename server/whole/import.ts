import { isDate } from '@ekrond/core/base/days'
import { type DataOf, checkData, Envelope, fold, Instant, type Entry } from '@ekrond/core/log'
import { summarise } from '@ekrond/core/bench/stations'
import { BuildSheet, SpecSheet } from '@ekrond/core/sheets'
import * as v from 'valibot'
import { inTransaction, type Client, type Pool } from '../db/pool.ts'
import { kindOfShop, tablesOfAShop } from '../db/untouched.ts'
import type { Files } from '../import/files.ts'
import { Head, readJson, type ImportError } from '../import/read.ts'
import type { Progress, Tell } from '../import/tell.ts'
import { readTable, readTables, type Row } from '../import/tables.ts'
import { insertRows, writeShop, writeTables } from '../import/write.ts'
import { jobCache } from '../jobs/append.ts'
import { insertEntries, insertJob, insertReturnSheet } from '../jobs/jobs.sql.ts'
import { sealOf } from '../jobs/seal.ts'
import { insertPhotograph } from '../photos/photos.sql.ts'
import { checkManifest, MANIFEST, sha256 } from './manifest.ts'

/** An instant as PostgreSQL's JSON or ours writes it. */
const Moment = v.pipe(
  v.string(),
  v.check((text) => isDate(text.slice(0, 10)) && !Number.isNaN(Date.parse(text)), 'That is no instant.'),
)
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
          at: Moment,
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
  addedAt: Moment,
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
    // Names as older versions took them: what a shop has is never turned away.
    v.array(v.object({ ...Envelope.entries, by: v.string(), seq: v.number(), receivedAt: Instant })),
    v.minLength(1),
  ),
  sheets: v.array(
    v.object({
      revision: v.pipe(v.string(), v.regex(/^[A-Z]{1,2}$/, 'A revision is one or two capitals.')),
      seq: v.pipe(v.number(), v.integer(), v.minValue(1)),
      sha256: v.string(),
      /** files of before have none */
      sealed: v.optional(v.nullable(v.string()), null),
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

/** Whether a folder holds a whole shop, rather than a catalogue: also one whose export was cut off before `shop.json`. */
export const isWholeShop = (files: Files): boolean =>
  files.bytes('shop.json') !== undefined || files.bytes(MANIFEST) !== undefined

export interface TakenShop {
  jobs: number
  entries: number
  photographs: number
  /** whether it came with a manifest, so that it is known to be whole */
  whole: boolean
}

/**
 * Takes a whole shop in, into an empty one (or, where `overDemo` names how many jobs go, in the demo's place): library with every
 * revision, tables, each job's log as it was, the sheets that went out, photographs. The rows of the rack are made from the logs. All
 * or nothing, in one transaction; faults are told by file, row and column. Nothing larger than one file is in memory at once.
 */
export function importShop(
  pool: Pool,
  files: Files,
  progress?: Progress,
  overDemo?: number,
): Promise<TakenShop> {
  return inTransaction(pool, async (client) => {
    const errors: ImportError[] = []
    const tell: Tell = (file, row, column, sentence) => {
      if (errors.length < MOST_FAULTS) errors.push({ file, row, column, sentence })
    }
    const stop = () => {
      if (errors.length) throw new WholeShopFaults(errors)
    }
    await tellNotEmpty(client, overDemo, tell)
    stop()
    const head = readJson(files, 'shop.json', Head, tell)
    stop()
    const whole = head!.format === 2
    if (whole) await checkManifest(files, tell, progress)
    stop()
    const tables = await readTables(files, tell, progress)
    const models: Row[] = []
    const columns = { model: { text: 300 }, maker: { text: 300 }, name: { text: 300 } } as const
    for await (const model of await readTable(files, 'models.csv', columns, tell)) models.push(model)
    const numbers = readJson(files, 'list-numbers.json', ListNumbers, tell) ?? []
    tellMissing(head!, models, numbers, tell)
    // Nothing is written before all that can be read at once was read.
    stop()
    await writeShop(client, head!)
    await insertRows(client, 'shop_change', head!.changes)
    await insertRows(client, 'store_change', head!.stores)
    await insertRows(client, 'gauge_check', head!.gaugeChecks)
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
    const revisions = await importRevisions(client, files, numbers, tell, progress)
    await writeTables(client, tables)
    const photographs = await importPhotographs(client, files, whole, tell, progress)
    const taken = await importJobs(client, files, revisions, tell, progress)
    stop()
    if (head!.kind === 'demo')
      await client.query("insert into setup (what, done_at) values ('demo', now()) on conflict do nothing")
    return { ...taken, photographs, whole }
  })
}

/** Faults after which no more are told. */
const MOST_FAULTS = 1000
/** Files of one kind after which it is told how far the import is. */
const TELL_EVERY = 500
const REVISIONS_AT_ONCE = 100

async function tellNotEmpty(client: Client, overDemo: number | undefined, tell: Tell): Promise<void> {
  const kind = await kindOfShop(client)
  if (kind === 'new') return
  const { rows } = await client.query<{ jobs: number; numbers: number }>(
    'select (select count(*) from job) as jobs, (select count(*) from list_number) as numbers',
  )
  const { jobs, numbers } = rows[0]!
  if (kind === 'demo' && overDemo === jobs) {
    await client.query(`truncate ${(await tablesOfAShop(client)).map((table) => `"${table}"`).join(', ')}`)
    await client.query("delete from setup where what = 'demo'")
    return
  }
  tell(
    'shop.json',
    null,
    null,
    kind === 'demo'
      ? `The demo shop stands here, with ${jobs} jobs. To put this one in its place say how many jobs go: npm run restore -- FILE --yes-delete ${jobs}`
      : `This shop is not empty: it has ${jobs} jobs and ${numbers} list numbers. A whole shop is taken into an empty one; start one with EKROND_DEMO=off on a folder of its own (EKROND_DATA).`,
  )
}

/** Every list number's sheets, a few files at once; returns the revisions that there are. */
async function importRevisions(
  client: Client,
  files: Files,
  numbers: v.InferOutput<typeof ListNumbers>,
  tell: Tell,
  progress: Progress | undefined,
): Promise<Set<string>> {
  const known = new Set<string>()
  for (let at = 0; at < numbers.length; at += REVISIONS_AT_ONCE) {
    const rows = numbers
      .slice(at, at + REVISIONS_AT_ONCE)
      .flatMap(({ listNumber }) =>
        (readJson(files, `revisions/${encodeURIComponent(listNumber)}.json`, Revisions, tell) ?? []).map(
          ({ addedAt, ...row }) => ({ ...row, list_number: listNumber, added_at: addedAt }),
        ),
      )
    for (const { revision } of rows) known.add(revision)
    await insertRows(client, 'sheet_revision', rows)
    if (at && at % (TELL_EVERY * 2) === 0) progress?.('list numbers', at)
  }
  return known
}

const PHOTOGRAPH_COLUMNS = { photograph: { text: 64 }, taken_in: { text: 40 } } as const

/** Every photograph, held against its own name, which is the hash of what it holds. */
async function importPhotographs(
  client: Client,
  files: Files,
  whole: boolean,
  tell: Tell,
  progress: Progress | undefined,
): Promise<number> {
  const takenIn = new Map<string, string>()
  // Files of before have no table of them.
  if (whole || files.bytes('photographs.csv') !== undefined)
    for await (const row of await readTable(files, 'photographs.csv', PHOTOGRAPH_COLUMNS, tell)) {
      if (Number.isNaN(Date.parse(String(row.taken_in))))
        tell('photographs.csv', null, 'taken_in', `“${row.taken_in}” is no instant.`)
      else takenIn.set(String(row.photograph), String(row.taken_in))
    }
  let taken = 0
  for (const name of files.list('photographs')) {
    const hash = /^photographs\/([0-9a-f]{64})\.jpg$/.exec(name)?.[1]
    const picture = hash ? files.bytes(name) : undefined
    if (!hash || !picture || sha256(picture) !== hash) {
      tell(name, null, null, 'The picture does not fit its name: it was altered, or is none of this shop’s.')
      continue
    }
    await insertPhotograph(client, hash, picture, takenIn.get(hash))
    takenIn.delete(hash)
    if (++taken % TELL_EVERY === 0) progress?.('photographs', taken)
  }
  for (const hash of takenIn.keys()) tell(`photographs/${hash}.jpg`, null, null, 'The picture is missing.')
  return taken
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

const ENTRIES_AT_ONCE = 1000

async function importJobs(
  client: Client,
  files: Files,
  revisions: ReadonlySet<string>,
  tell: Tell,
  progress: Progress | undefined,
) {
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
    const altered = read.sheets.findIndex(({ sealed, document }) => sealed && sealed !== sealOf(document))
    if (altered >= 0) {
      tell(
        file,
        null,
        `sheets.${altered}`,
        `The return sheet ${read.sheets[altered]!.revision} says something else than what went out: its seal does not fit.`,
      )
      continue
    }
    await insertJob(client, summary, read.number)
    for (let at = 0; at < log.length; at += ENTRIES_AT_ONCE)
      await insertEntries(client, log.slice(at, at + ENTRIES_AT_ONCE))
    for (const sheet of read.sheets)
      await insertReturnSheet(client, read.job, sheet.seq, sheet.revision, sheet.sha256, sheet.document)
    if (++jobs % TELL_EVERY === 0) progress?.('jobs', jobs)
    entries += log.length
    highest = Math.max(highest, read.number)
  }
  if (highest) await client.query("select setval('job_number', $1)", [highest])
  return { jobs, entries }
}
