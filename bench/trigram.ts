import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { startPostgres } from '../tools/postgres.mjs'

/** The first three marks nearest to each query by PostgreSQL's trigrams, and the milliseconds that each took; the index is built before. */
export async function byTrigram(
  marks: readonly string[],
  queries: readonly string[],
): Promise<{ ids: number[]; ms: number }[]> {
  const data = mkdtempSync(join(tmpdir(), 'ekrond-trigram-'))
  const postgres = await startPostgres(data, { fast: true })
  const client = new pg.Client({ connectionString: postgres.url })
  try {
    await client.connect()
    await client.query('create extension pg_trgm')
    await client.query('create table marks (id integer primary key, mark text not null)')
    await client.query(
      'insert into marks select place - 1, mark from unnest($1::text[]) with ordinality as one (mark, place)',
      [marks],
    )
    await client.query('create index on marks using gist (mark gist_trgm_ops)')
    await client.query('analyze marks')
    const answers: { ids: number[]; ms: number }[] = []
    for (const query of queries) {
      const begun = performance.now()
      // What cannot be read says nothing to a trigram.
      const { rows } = await client.query<{ id: number }>(
        'select id from marks order by mark <-> $1 limit 3',
        [query.replaceAll('?', ' ')],
      )
      answers.push({ ids: rows.map(({ id }) => id), ms: performance.now() - begun })
    }
    return answers
  } finally {
    await client.end()
    await postgres.stop()
    rmSync(data, { recursive: true, force: true })
  }
}
