import { firstEdition } from '../../demo/editions.ts'
import { demoJobs } from '../../demo/jobs.ts'
import { inTransaction } from '../db/pool.ts'
import { folderFiles } from '../import/files.ts'
import { readCatalogue } from '../import/read.ts'
import { writeCatalogue } from '../import/write.ts'
import { selectListNumber, selectMarket } from '../library/library.sql.ts'
import type { Services } from '../services.ts'
import { selectShopLists } from '../shop/shop.sql.ts'

const DEMO_LOCK = 711_945

/** Loads the demo shop through the shop's own import and its jobs through `admit`, once, into an empty database. */
export async function loadDemoIfEmpty(services: Services, folder: string): Promise<boolean> {
  const { pool } = services
  const client = await pool.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [DEMO_LOCK])
    const { rows } = await client.query<{ empty: boolean; cutOff: boolean }>(
      `select not exists (select 1 from job) and not exists (select 1 from list_number) as empty,
              exists (select 1 from setup where what = 'demo' and done_at is null) as "cutOff"`,
    )
    const { empty, cutOff } = rows[0]!
    if (!empty && !cutOff) return false
    await client.query("insert into setup (what) values ('demo') on conflict do nothing")
    // What a load that was cut off left is the demo's own: nobody could work in it yet.
    if (empty) await loadDemo(services, folder)
    else await resetDemo(services, folder)
    await client.query("update setup set done_at = now() where what = 'demo'")
    return true
  } finally {
    await client.query('select pg_advisory_unlock($1)', [DEMO_LOCK]).catch(() => undefined)
    client.release()
  }
}

async function loadDemo(services: Services, folder: string): Promise<void> {
  const read = await readCatalogue(folderFiles(folder))
  if ('errors' in read)
    throw new Error(
      `the demo catalogue has faults: ${read.errors.map((e) => `${e.file} ${e.row ?? ''} ${e.column ?? ''} ${e.sentence}`).join('; ')}`,
    )
  await writeCatalogue(services.pool, firstEdition(read.catalogue))
  await writeCatalogue(services.pool, read.catalogue)
  const [lists, market] = await Promise.all([selectShopLists(services.pool), selectMarket(services.pool)])
  const sheetsOf = async (listNumber: string) => {
    const found = await selectListNumber(services.pool, listNumber)
    if (!found) throw new Error(`the demo names ${listNumber}, which its catalogue lacks`)
    return found.sheets
  }
  for (const { job, entries } of await demoJobs({
    now: services.clock(),
    gauges: lists.gauges,
    market,
    sheetsOf,
  })) {
    const { answers } = await services.appender.append(job, entries)
    const refused = answers.find((answer) => answer.outcome === 'refused')
    if (refused) throw new Error(`the demo's own entry was refused: ${JSON.stringify(refused)}`)
  }
}

/** Empties the shop and loads the demo anew. */
export async function resetDemo(services: Services, folder: string): Promise<void> {
  await inTransaction(services.pool, async (client) => {
    await client.query(
      'truncate list_number_change, store_change, shop_change, return_sheet, entry, job, shelf, kit_hold, kit, price, supplier, part, sheet_revision, list_number, model, maker, customer, gauge, person, shop',
    )
    await client.query('alter sequence job_number restart')
  })
  services.cache.forget()
  await loadDemo(services, folder)
}
