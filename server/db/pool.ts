import pg from 'pg'

// Dates stay local dates, numbers stay numbers.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text)
pg.types.setTypeParser(pg.types.builtins.INT8, Number)
pg.types.setTypeParser(pg.types.builtins.TIMESTAMPTZ, instantOf)

export type Pool = pg.Pool
export type Client = pg.PoolClient
export type Queryable = Pick<pg.Pool, 'query'>

/** PostgreSQL's instant as ours. A long log has thousands, and its text needs no calendar where it comes in UTC. */
export function instantOf(text: string): string {
  return text.length > 21 && text.endsWith('+00')
    ? `${text.slice(0, 10)}T${text.slice(11, 19)}.${text.slice(20, -3).padEnd(3, '0').slice(0, 3)}Z`
    : new Date(text).toISOString()
}

export function openPool(url: string): Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 10_000,
    options: '-c timezone=UTC',
  })
  // Without a listener a connection that PostgreSQL ends takes the whole process down.
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`))
  // One that is lost while it is checked out tells only itself; what it was doing fails by its own promise.
  pool.on('connect', (client) => client.on('error', () => undefined))
  return pool
}

/** Runs `work` in one transaction; what it throws rolls it back. */
export async function inTransaction<T>(pool: Pool, work: (client: Client) => Promise<T>): Promise<T> {
  const client = await pool.connect()
  let lost: unknown
  try {
    await client.query('begin')
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    lost = error
    await client.query('rollback').catch(() => undefined)
    throw error
  } finally {
    // One whose connection is gone is not given to the next.
    client.release(isDatabaseAway(lost))
  }
}

const AWAY_CODES = new Set([
  ...['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND'],
  ...['57P01', '57P02', '57P03', '08000', '08001', '08003', '08006', '53300', '25P03'],
])

/** Whether an error says that the database cannot be reached now, rather than that it was asked something wrong. */
export const isDatabaseAway = (error: unknown): boolean =>
  error instanceof Error &&
  (AWAY_CODES.has((error as { code?: string }).code ?? '') ||
    /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Client was closed/.test(
      error.message,
    ))

/** Typed text as a part of a like-pattern, its own signs taken literally. */
export const escapeLike = (text: string): string => text.replace(/[\\%_]/g, (sign) => `\\${sign}`)
