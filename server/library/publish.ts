import { createHash } from 'node:crypto'
import {
  bodyOf,
  notAdmitted,
  type Entry,
  type JobState,
  type NotAdmitted,
  type UnsentEntry,
} from '@ekrond/core/job'
import type { Sheets } from '@ekrond/core/sheets'
import type { Client } from '../db/pool.ts'

interface Published {
  listNumber: string
  specRev: string
  buildRev: string
  mark: string
  maker: string
}

const revisionOf = (listNumber: string, kind: 'spec' | 'build', number: number) =>
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
  await client.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [listNumber])
  const there = await newest(client, listNumber)
  const own = bodyOf(state, entry.body).published?.listNumber === listNumber
  if (there && !own)
    return notAdmitted(
      'revision',
      `The library has a ${listNumber} already. Identify this unit as that one, or give yours another number.`,
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

/** Writes a taught unit's sheets as the library's next revisions, in the transaction that takes the entry. */
export async function publish(client: Client, state: JobState, entry: Entry, sheets: Sheets): Promise<void> {
  const { listNumber, specRev, buildRev, mark, maker } = entry.data as Published
  const { features } = bodyOf(state, entry.body)
  const seen = Object.fromEntries(Object.entries(features).map(([name, { value }]) => [name, value]))
  const { draft, barrels, modelName } = sheets.spec
  await client.query(`insert into maker (maker, numbering) values ($1, '') on conflict do nothing`, [maker])
  await client.query(
    'insert into model (model, maker, name) values ($1, $2, $3) on conflict (model) do update set maker = excluded.maker, name = excluded.name',
    [listNumber, maker, modelName],
  )
  await client.query(
    `insert into list_number (list_number, model, mark, weight, features, supersedes, fits_as) values ($1, $1, $2, 1, $3, '[]', '[]')
       on conflict (list_number) do update set mark = excluded.mark, features = excluded.features`,
    [listNumber, mark, JSON.stringify({ draft, barrels, ...seen })],
  )
  for (const [kind, revision, sheet] of [
    ['spec', specRev, { ...sheets.spec, listNumber, maker }],
    ['build', buildRev, { ...sheets.build, listNumber }],
  ] as const) {
    const text = JSON.stringify(sheet)
    await client.query(
      'insert into sheet_revision (revision, list_number, kind, number, sha256, sheet) values ($1, $2, $3, $4, $5, $6)',
      [
        revision,
        listNumber,
        kind,
        Number(revision.split('/').at(-1)),
        createHash('sha256').update(text).digest('hex'),
        text,
      ],
    )
  }
}
