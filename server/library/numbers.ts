import type { CopyBody, MergeBody, SupersedeBody } from '@ekrond/contract/library'
import type { BuildSheet, SpecSheet } from '@ekrond/core/sheets'
import type { Client } from '../db/pool.ts'
import { notFound, ProblemError } from '../http/problem.ts'
import { addRevision, revisionOf } from './publish.ts'

interface Kept {
  model: string
  mark: string
  supersedes: string[]
  mergedInto: string | null
  features: object
  spec: { revision: string; number: number; sheet: SpecSheet }
  build: { revision: string; number: number; sheet: BuildSheet }
}

const lock = (client: Client, listNumber: string) =>
  client.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [listNumber])

const no = (detail: string, field: string, status = 422) =>
  new ProblemError(status, 'That cannot be done so', detail, field)

/** A list number with its newest sheets, locked until the end; null where the library has none. */
async function find(client: Client, listNumber: string): Promise<Kept | null> {
  await lock(client, listNumber)
  const { rows } = await client.query<Kept>(
    `select model, mark, supersedes, merged_into as "mergedInto", features,
            (select jsonb_build_object('revision', revision, 'number', number, 'sheet', sheet) from sheet_revision
              where list_number = $1 and kind = 'spec' order by number desc limit 1) as spec,
            (select jsonb_build_object('revision', revision, 'number', number, 'sheet', sheet) from sheet_revision
              where list_number = $1 and kind = 'build' order by number desc limit 1) as build
       from list_number where list_number = $1`,
    [listNumber],
  )
  return rows[0] ?? null
}

async function there(client: Client, listNumber: string): Promise<Kept> {
  const kept = await find(client, listNumber)
  if (!kept) throw notFound(`The library has no list number “${listNumber}”.`)
  return kept
}

const note = (client: Client, listNumber: string, at: string, by: string, what: string, why: string) =>
  client.query(
    `insert into list_number_change (list_number, number, at, by, what, why)
       select $1, coalesce(max(number), 0) + 1, $2, $3, $4, $5 from list_number_change where list_number = $1`,
    [listNumber, at, by, what, why],
  )

/** A list number made after another one of its model: all its values are its relative's until somebody reads them on its own sheet. */
export async function copy(
  client: Client,
  from: string,
  { as, mark, by, why }: CopyBody,
  at: string,
): Promise<void> {
  const kept = await there(client, from)
  if (await find(client, as))
    throw no(`The library has a ${as} already. Correct that one, or use another number.`, 'as', 409)
  await client.query(
    `insert into list_number (list_number, model, mark, weight, features, supersedes, fits_as) values ($1, $2, $3, 1, $4, '[]', '[]')`,
    [as, kept.model, mark, JSON.stringify(kept.features)],
  )
  const spec: SpecSheet = {
    ...kept.spec.sheet,
    listNumber: as,
    supersedes: [],
    settings: kept.spec.sheet.settings.map((setting) => ({
      ...setting,
      source: setting.source === 'none yet' ? setting.source : 'from relatives',
      ground: setting.source === 'none yet' ? setting.ground : `as the ${from}`,
    })),
  }
  const words = `after the ${from}: ${why}`
  await addRevision(client, revisionOf(as, 'spec', 1), 'spec', spec, by, words)
  await addRevision(
    client,
    revisionOf(as, 'build', 1),
    'build',
    { ...kept.build.sheet, listNumber: as },
    by,
    words,
  )
  await note(client, as, at, by, `made after the ${from}`, why)
}

/** That a list number took an older one's place: its next spec revision says so, and the older one is found by it. */
export async function supersede(
  client: Client,
  listNumber: string,
  { older, by, why }: SupersedeBody,
  at: string,
): Promise<void> {
  // Both are locked in one order, whoever asks.
  for (const one of [listNumber, older].sort()) await lock(client, one)
  const kept = await there(client, listNumber)
  if (older === listNumber) throw no('A number cannot supersede itself.', 'older')
  if (kept.supersedes.includes(older)) throw no(`${listNumber} supersedes ${older} already.`, 'older')
  const { rows } = await client.query<{ circle: boolean }>(
    `with recursive over as (
       select value as number from list_number, jsonb_array_elements_text(supersedes) value where list_number = $1
       union select value from over join list_number on list_number = over.number, jsonb_array_elements_text(supersedes) value
     ) select exists (select from over where number = $2) as circle`,
    [older, listNumber],
  )
  if (rows[0]!.circle)
    throw no(`${older} supersedes ${listNumber} already. Check which one is newer.`, 'older')
  const supersedes = [...kept.supersedes, older]
  await client.query('update list_number set supersedes = $2 where list_number = $1', [
    listNumber,
    JSON.stringify(supersedes),
  ])
  await addRevision(
    client,
    revisionOf(listNumber, 'spec', kept.spec.number + 1),
    'spec',
    { ...kept.spec.sheet, supersedes },
    by,
    why,
  )
  await note(client, listNumber, at, by, `supersedes ${older}`, why)
}

/**
 * That one unit was taught under two numbers: the other one stands for both from now on. Jobs keep the sheets that they stand on, the
 * merged number is found by the other, and what went back by it counts for that one.
 */
export async function merge(
  client: Client,
  listNumber: string,
  { into, by, why }: MergeBody,
  at: string,
): Promise<void> {
  for (const one of [listNumber, into ?? ''].sort()) await lock(client, one)
  const kept = await there(client, listNumber)
  if (into === null) {
    if (kept.mergedInto === null) throw no(`${listNumber} is not merged.`, 'into')
    await client.query('update list_number set merged_into = null where list_number = $1', [listNumber])
    await note(client, listNumber, at, by, `merge with ${kept.mergedInto} undone`, why)
    return
  }
  if (into === listNumber) throw no('That is the same number.', 'into')
  if (kept.mergedInto !== null)
    throw no(`${listNumber} was merged into ${kept.mergedInto} already. Undo that merge first.`, 'into', 409)
  const other = await there(client, into)
  if (other.mergedInto !== null)
    throw no(`${into} was itself merged into ${other.mergedInto}. Merge into that one.`, 'into')
  const [mine, its] = [kept.spec.sheet, other.spec.sheet]
  if (mine.draft !== its.draft || mine.barrels !== its.barrels)
    throw no(
      `They are not the same unit: ${listNumber} has ${mine.barrels} and draws ${mine.draft}, ${into} has ${its.barrels} and draws ${its.draft}.`,
      'into',
    )
  const { rows } = await client.query('select from list_number where merged_into = $1 limit 1', [listNumber])
  if (rows.length > 0) throw no(`Others are merged into ${listNumber}. Undo those merges first.`, 'into')
  await client.query('update list_number set merged_into = $2 where list_number = $1', [listNumber, into])
  await note(client, listNumber, at, by, `merged into ${into}`, why)
}
