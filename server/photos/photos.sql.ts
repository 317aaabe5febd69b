import type { Queryable } from '../db/pool.ts'

/** Keeps a picture under its hash; one that is there already stays. */
export async function insertPhotograph(
  db: Queryable,
  hash: string,
  picture: Buffer,
  takenIn?: string,
): Promise<void> {
  await db.query(
    `insert into photograph (hash, picture, taken_in) values (decode($1, 'hex'), $2, coalesce($3::timestamptz, now()))
     on conflict (hash) do nothing`,
    [hash, picture, takenIn ?? null],
  )
}

export async function selectPhotograph(db: Queryable, hash: string): Promise<Buffer | undefined> {
  const { rows } = await db.query<{ picture: Buffer }>(
    `select picture from photograph where hash = decode($1, 'hex')`,
    [hash],
  )
  return rows[0]?.picture
}

/** Several pictures by their hashes. */
export async function selectSome(db: Queryable, hashes: readonly string[]): Promise<Map<string, Buffer>> {
  const { rows } = await db.query<{ hash: string; picture: Buffer }>(
    `select encode(hash, 'hex') as hash, picture from photograph
      where hash = any(select decode(one, 'hex') from unnest($1::text[]) as one)`,
    [hashes],
  )
  return new Map(rows.map(({ hash, picture }) => [hash, picture]))
}
