import { cpSync, createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { startPostgres } from '../tools/postgres.mjs'
import { runMeasured } from './measured-child.ts'

const root = join(import.meta.dirname, '..')

export interface LargeImport {
  rows: number
  megabytes: number
  /** rows that stand in the shop afterwards */
  taken: number
  seconds: number
  /** the most memory that the import held, MB */
  peakMegabytes: number
  /** how often it told how far it was */
  told: number
}

/** Takes in the demo's catalogue with a customers' table of so many rows, about 300 bytes each, as `npm run import` does. */
export async function importLarge(rows: number): Promise<LargeImport> {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-large-'))
  const data = mkdtempSync(join(tmpdir(), 'ekrond-large-data-'))
  const postgres = await startPostgres(data, { fast: true })
  try {
    cpSync(join(root, 'demo/catalogue'), folder, { recursive: true })
    const table = join(folder, 'customers.csv')
    const out = createWriteStream(table, { flags: 'a' })
    const padding = 'x'.repeat(240)
    for (let i = 0; i < rows; i++)
      if (!out.write(`Customer ${i},engine ${i},"a frost fan, ${padding}"\n`)) await once(out, 'drain')
    out.end()
    await once(out, 'close')
    const ran = await runMeasured('server/cli/import.ts', [folder], postgres.url)
    const client = new pg.Client({ connectionString: postgres.url })
    await client.connect()
    const { rows: counted } = await client.query<{ n: number }>(
      "select count(*)::int as n from customer where customer like 'Customer %'",
    )
    await client.end()
    return {
      rows,
      megabytes: Math.round(statSync(table).size / 1e6),
      taken: counted[0]!.n,
      seconds: ran.seconds,
      peakMegabytes: ran.peakMegabytes,
      told: ran.said.split(' read\n').length - 1,
    }
  } finally {
    await postgres.stop()
    for (const path of [folder, data]) rmSync(path, { recursive: true, force: true })
  }
}
