import { createHash } from 'node:crypto'
import {
  bodyOf,
  notAdmitted,
  type Entry,
  type JobState,
  type NotAdmitted,
  type UnsentEntry,
} from '@ekrond/core/log'
import { unitFaults } from '@ekrond/core/sheets/library'
import { isListNumber, LIST_NUMBER_SENTENCE } from '@ekrond/core/base/limits'
import { isRefusal } from '@ekrond/core/base/refusal'
import { settingKey, type BuildSheet, type Sheets, type SpecSheet } from '@ekrond/core/sheets'
import { amended, carriedOn, onlyThat, withMeasured } from '@ekrond/core/taught'
import type { CorrectionBody, ListNumberFile, MeasuredBody } from '@ekrond/contract/library'
import type { Client } from '../db/pool.ts'
import { selectSheets } from '../jobs/jobs.sql.ts'
import { notFound, ProblemError } from '../http/problem.ts'

interface Published {
  listNumber: string
  specRev: string
  buildRev: string
  mark: string
  maker: string
}

/** A revision's name. */
export const revisionOf = (listNumber: string, kind: 'spec' | 'build', number: number) =>
  `${listNumber}/${kind}/${number}`

/** How far a list number has come in the library: the newest number of each kind of sheet; null where it has none. */
async function newest(client: Client, listNumber: string): Promise<{ spec: number; build: number } | null> {
  const { rows } = await client.query<{ spec: number | null; build: number | null; known: boolean }>(
    `select max(number) filter (where kind = 'spec') as spec, max(number) filter (where kind = 'build') as build,
            exists (select from list_number where list_number = $1) as known
       from sheet_revision where list_number = $1`,
    [listNumber],
  )
  const row = rows[0]!
  return row.known ? { spec: row.spec ?? 0, build: row.build ?? 0 } : null
}

/** Whether a taught unit can go into the library under that number and with those revisions. The number is locked until the end. */
export async function mayPublish(
  client: Client,
  state: JobState,
  entry: UnsentEntry,
): Promise<NotAdmitted | undefined> {
  const { listNumber, specRev, buildRev } = entry.data as Published
  if (!isListNumber(listNumber)) return notAdmitted('revision', LIST_NUMBER_SENTENCE)
  await client.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [listNumber])
  const there = await newest(client, listNumber)
  const own = bodyOf(state, entry.body).published?.listNumber === listNumber
  if (there && !own)
    return notAdmitted(
      'revision',
      `The library has a ${listNumber} already. Identify this unit as that one, or use another number.`,
    )
  const next = { spec: (there?.spec ?? 0) + 1, build: (there?.build ?? 0) + 1 }
  return specRev === revisionOf(listNumber, 'spec', next.spec) &&
    buildRev === revisionOf(listNumber, 'build', next.build)
    ? undefined
    : notAdmitted(
        'revision',
        `Somebody changed ${listNumber} in the library meanwhile: its next revision is ${next.spec}. Look at it, then put yours in again.`,
      )
}

/**
 * Writes a taught unit's sheets as the library's next revisions, in the transaction that takes the entry. What others measured and put
 * right since the job put it in before stays in it.
 */
export async function publish(
  client: Client,
  { state, before }: { state: JobState; before: { specRev: string } | null },
  entry: Entry,
  sheets: Sheets,
): Promise<void> {
  const { listNumber, specRev, buildRev, mark, maker } = entry.data as Published
  const { features } = bodyOf(state, entry.body)
  const seen = Object.fromEntries(Object.entries(features).map(([name, { value }]) => [name, value]))
  const { draft, barrels, modelName } = sheets.spec
  await writeListNumber(client, { listNumber, maker, modelName, mark, features: { draft, barrels, ...seen } })
  const why = 'taught at the bench'
  const spec = before ? await carried(client, sheets.spec, listNumber, before.specRev) : sheets.spec
  await addRevision(client, specRev, 'spec', { ...spec, listNumber, maker }, entry.by, why)
  await addRevision(client, buildRev, 'build', { ...sheets.build, listNumber }, entry.by, why)
}

/** Whether the book of a list number can be corrected by something that a job's unit differs in. Its sheets are locked until the end. */
export async function mayCorrectBook(
  client: Client,
  state: JobState,
  entry: UnsentEntry,
): Promise<NotAdmitted | undefined> {
  const { of, how } = entry.data as BookCorrection
  const here = bodyOf(state, entry.body)
  if (how !== 'book' || !here.ident) return undefined
  const { listNumber } = here.ident
  const newest = await newestSheets(client, listNumber)
  if (!newest)
    return notAdmitted('revision', `The library has no ${listNumber} any more: keep it as this unit’s.`)
  const part = here.ownParts[of]
  const named =
    part &&
    !part.absent &&
    newest.build.positions.find(
      ({ code, name }) => code !== of && name.toLowerCase() === part.name.toLowerCase(),
    )
  return named
    ? notAdmitted(
        'revision',
        `${listNumber} has ${named.name.toLowerCase()} in the book already, by another job.`,
      )
    : undefined
}

interface BookCorrection {
  of: string
  how: 'this unit' | 'book'
  why: string
}

/** A list number's newest sheets, its number locked until the end of the transaction; null where the library has none. */
async function newestSheets(client: Client, listNumber: string): Promise<Sheets | null> {
  await client.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [listNumber])
  const there = await newest(client, listNumber)
  if (!there || there.spec === 0 || there.build === 0) return null
  const [specRev, buildRev] = [
    revisionOf(listNumber, 'spec', there.spec),
    revisionOf(listNumber, 'build', there.build),
  ]
  return (await selectSheets(client, specRev, buildRev)) ?? null
}

/** Writes what a job's unit differs in into the book of its number: its next revisions, in the transaction that takes the entry. */
export async function correctBook(client: Client, state: JobState, entry: Entry): Promise<void> {
  const { of, how, why } = entry.data as BookCorrection
  const here = bodyOf(state, entry.body)
  if (how !== 'book' || !here.ident) return
  const { listNumber } = here.ident
  const sheets = await newestSheets(client, listNumber)
  if (!sheets) return
  const now = amended(sheets, onlyThat(here, of))
  const next = (revision: string) => Number(revision.split('/').at(-1)) + 1
  if (JSON.stringify(now.spec) !== JSON.stringify(sheets.spec))
    await addRevision(
      client,
      revisionOf(listNumber, 'spec', next(sheets.specRev)),
      'spec',
      now.spec,
      entry.by,
      why,
    )
  if (JSON.stringify(now.build) !== JSON.stringify(sheets.build))
    await addRevision(
      client,
      revisionOf(listNumber, 'build', next(sheets.buildRev)),
      'build',
      now.build,
      entry.by,
      why,
    )
}

async function carried(
  client: Client,
  own: SpecSheet,
  listNumber: string,
  beforeRev: string,
): Promise<SpecSheet> {
  const { rows } = await client.query<{ revision: string; sheet: SpecSheet }>(
    `select revision, sheet from sheet_revision where list_number = $1 and kind = 'spec' order by number desc`,
    [listNumber],
  )
  const before = rows.find(({ revision }) => revision === beforeRev)
  return before ? carriedOn(own, before.sheet, rows[0]!.sheet).spec : own
}

async function writeListNumber(
  client: Client,
  {
    listNumber,
    maker,
    modelName,
    mark,
    features,
  }: { listNumber: string; maker: string; modelName: string; mark: string; features: object },
): Promise<void> {
  await client.query(`insert into maker (maker, numbering) values ($1, '') on conflict do nothing`, [maker])
  await client.query(
    'insert into model (model, maker, name) values ($1, $2, $3) on conflict (model) do update set maker = excluded.maker, name = excluded.name',
    [listNumber, maker, modelName],
  )
  await client.query(
    `insert into list_number (list_number, model, mark, weight, features, supersedes, fits_as) values ($1, $1, $2, 1, $3, '[]', '[]')
       on conflict (list_number) do update set mark = excluded.mark, features = excluded.features`,
    [listNumber, mark, JSON.stringify(features)],
  )
}

/** Writes a sheet as a revision with who and why; it is never changed afterwards. */
export async function addRevision(
  client: Client,
  revision: string,
  kind: 'spec' | 'build',
  sheet: SpecSheet | BuildSheet,
  by: string,
  why: string,
): Promise<void> {
  const text = JSON.stringify(sheet)
  await client.query(
    'insert into sheet_revision (revision, list_number, kind, number, sha256, sheet, by, why) values ($1, $2, $3, $4, $5, $6, $7, $8)',
    [
      revision,
      sheet.listNumber,
      kind,
      Number(revision.split('/').at(-1)),
      createHash('sha256').update(text).digest('hex'),
      text,
      by,
      why,
    ],
  )
}

/** A list number's spec as it is now, made into its next revision: two who do so at once are told. */
async function nextSpec(
  client: Client,
  listNumber: string,
  { rev, by, why }: { rev: string; by: string; why: string },
  change: (sheet: SpecSheet) => { sheet: SpecSheet; before: string },
): Promise<string> {
  await client.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [listNumber])
  const { rows } = await client.query<{ revision: string; number: number; by: string; sheet: SpecSheet }>(
    `select revision, number, by, sheet from sheet_revision where list_number = $1 and kind = 'spec' order by number desc limit 1`,
    [listNumber],
  )
  const newest = rows[0]
  if (!newest) throw notFound(`The library has no list number “${listNumber}”.`)
  const { sheet, before } = change(newest.sheet)
  if (newest.revision !== rev)
    throw new ProblemError(
      409,
      'Corrected meanwhile',
      `${newest.by || 'Somebody'} made ${newest.revision} meanwhile: there it is ${before}. Look at both, then correct it again.`,
      'rev',
    )
  const next = revisionOf(listNumber, 'spec', newest.number + 1)
  await addRevision(client, next, 'spec', sheet, by, why)
  return next
}

/** One value of a list number put right: its next spec revision. Jobs that stand on an older one keep it. */
export const correct = (client: Client, listNumber: string, body: CorrectionBody): Promise<string> =>
  nextSpec(client, listNumber, body, (sheet) => {
    const { setting, asWritten, target, lo, hi, source, why } = body
    const now = sheet.settings.find((one) => settingKey(one) === setting)
    if (!now)
      throw new ProblemError(400, 'No such setting', `${listNumber} has no setting ${setting}.`, 'setting')
    if ((lo !== null && lo > target) || (hi !== null && target > hi))
      throw new ProblemError(400, 'Outside its limits', 'The value is outside its own limits.', 'target')
    const settings = sheet.settings.map((one) =>
      one === now ? { ...one, asWritten, target, lo, hi, source, ground: why } : one,
    )
    return { sheet: { ...sheet, settings }, before: now.asWritten }
  })

/** One line of a taught list number that was only lent, measured on another unit of it: its next spec revision. */
export const measured = (client: Client, listNumber: string, body: MeasuredBody): Promise<string> =>
  nextSpec(client, listNumber, body, (sheet) => {
    const made = withMeasured(sheet, body.fact, body.raw)
    if (isRefusal(made)) {
      const { input, why } = made.refused
      throw new ProblemError(400, 'Not measured', why, input === 'text' ? 'raw' : input)
    }
    return { sheet: made, before: 'measured otherwise' }
  })

/** Takes in one list number that another shop shared; one that the library has already is left as it is. */
export async function takeIn(client: Client, file: ListNumberFile, by: string): Promise<void> {
  const { listNumber, maker, modelName, mark, features, spec, build } = file
  await client.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [listNumber])
  if (await newest(client, listNumber))
    throw new ProblemError(
      409,
      'There already',
      `The library has a ${listNumber} already; it is not changed. Correct it there, or give the file’s list number another number.`,
      'listNumber',
    )
  const [fault] = unitFaults(file)
  if (fault) throw new ProblemError(400, 'Invalid request', fault.sentence, fault.at)
  await writeListNumber(client, { listNumber, maker, modelName, mark, features })
  await addRevision(client, revisionOf(listNumber, 'spec', 1), 'spec', spec, by, 'from another shop')
  await addRevision(client, revisionOf(listNumber, 'build', 1), 'build', build, by, 'from another shop')
}
