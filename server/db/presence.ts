import pg from 'pg'

/** Held shared by each server of a database, alone by what must not run beside one. */
export const SHOP_IS_OPEN = 711_946

/** Takes the shop for oneself; null where a server runs on it. */
export async function aloneInShop(url: string): Promise<{ leave(): Promise<void> } | null> {
  const client = new pg.Client({ connectionString: url })
  client.on('error', () => undefined)
  await client.connect()
  const { rows } = await client.query<{ alone: boolean }>('select pg_try_advisory_lock($1) as alone', [
    SHOP_IS_OPEN,
  ])
  if (rows[0]!.alone) return { leave: () => client.end() }
  await client.end()
  return null
}
