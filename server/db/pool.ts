import pg from 'pg'

// Dates stay local dates, numbers stay numbers.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text)
pg.types.setTypeParser(pg.types.builtins.INT8, Number)
pg.types.setTypeParser(pg.types.builtins.TIMESTAMPTZ, (text) => new Date(text).toISOString())

export type Pool = pg.Pool
export type Client = pg.PoolClient
export type Queryable = Pick<pg.Pool, 'query'>

export function openPool(url: string): Pool {
  const pool = new pg.Pool({ connectionString: url, max: 10 })
  // Without a listener a connection that PostgreSQL ends takes the whole process down.
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`))
  return pool
}

/** Runs `work` in one transaction; what it throws rolls it back. */
export async function inTransaction<T>(pool: Pool, work: (client: Client) => Promise<T>): Promise<T> {
  const client = await pool.connect()
  try {
    await client.query('begin')
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch(() => undefined)
    throw error
  } finally {
    client.release()
  }
}
