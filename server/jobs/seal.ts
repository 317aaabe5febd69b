import { createHash } from 'node:crypto'
import type { Pool } from '../db/pool.ts'

/** A value with the keys of every object in order: the same text whichever way it was kept meanwhile. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, own]) => [key, inOrder(own)]),
  )
}

/** The seal of a sheet that went out: SHA-256 of its document as JSON with its keys in order. */
export const sealOf = (document: unknown): string =>
  createHash('sha256')
    .update(JSON.stringify(inOrder(document)))
    .digest('hex')

/** Seals the sheets that went out under a version without seals. */
export async function sealOlder(pool: Pool): Promise<void> {
  const { rows } = await pool.query<{ job: string; seq: number; document: unknown }>(
    'select job, seq, document from return_sheet where sealed is null',
  )
  for (const { job, seq, document } of rows)
    await pool.query('update return_sheet set sealed = $3 where job = $1 and seq = $2', [
      job,
      seq,
      sealOf(document),
    ])
}
