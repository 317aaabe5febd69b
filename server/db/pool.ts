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

/** What a bench waits for at most. A transaction that stands still lets go of the jobs that it has locked. */
const BENCH_LIMITS = '-c statement_timeout=20000 -c idle_in_transaction_session_timeout=30000'

/**
 * Connections for a kind of work: `bench` for what somebody waits for, `long` for the whole shop in or out, backups, migrations. They
 * are apart, so that the long never keeps the bench from its own.
 */
export function openPool(url: string, work: 'bench' | 'long' = 'bench'): Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max: work === 'bench' ? 10 : 3,
    connectionTimeoutMillis: 10_000,
    options: `-c timezone=UTC ${work === 'bench' ? BENCH_LIMITS : ''}`,
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

/**
 * A transaction that is open already, as a pool: what begins one of its own in it gets a part that can be taken back alone. So several
 * pieces of work that each are all or nothing become one that is.
 */
export function poolWithin(client: Client): Pool {
  let depth = 0
  const within = new Proxy(client, {
    get(target, name) {
      if (name === 'release') return () => undefined
      if (name !== 'query') return Reflect.get(target, name) as unknown
      return (text: string, values?: unknown[]) => {
        if (/^begin\b/.test(text)) return target.query(`savepoint part_${++depth}`)
        if (text === 'commit') return target.query(`release savepoint part_${depth--}`)
        if (text === 'rollback') return target.query(`rollback to savepoint part_${depth--}`)
        return target.query(text, values)
      }
    },
  })
  return { query: within.query.bind(within), connect: () => Promise.resolve(within) } as unknown as Pool
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
