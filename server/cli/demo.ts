import { firstEdition } from '../../demo/editions.ts'
import { demoJobs } from '../../demo/jobs.ts'
import { inTransaction, poolWithin, type Client, type Pool } from '../db/pool.ts'
import { isUntouched, kindOfShop, tablesOfAShop } from '../db/untouched.ts'
import { folderFiles } from '../import/files.ts'
import { readCatalogue } from '../import/read.ts'
import { writeCatalogue } from '../import/write.ts'
import { selectListNumber, selectMarket } from '../library/library.sql.ts'
import { openServices, type Services } from '../services.ts'
import { selectShopLists } from '../shop/shop.sql.ts'

const DEMO_LOCK = 711_945

/**
 * Loads the demo shop through the shop's own import and its jobs through `admit`, in one transaction: cut off, it leaves nothing. Only
 * into a database in which nothing was ever entered; whatever else stands in it, what a shop has entered is left alone.
 */
export function loadDemoIfEmpty(services: Services, folder: string): Promise<boolean> {
  return inTransaction(services.pool, async (client) => {
    await client.query('select pg_advisory_xact_lock($1)', [DEMO_LOCK])
    if (!(await isUntouched(client))) return false
    await loadDemo(client, services, folder)
    return true
  })
}

async function loadDemo(client: Client, { clock }: Services, folder: string): Promise<void> {
  const read = await readCatalogue(folderFiles(folder))
  if ('errors' in read)
    throw new Error(
      `the demo catalogue has faults: ${read.errors.map((e) => `${e.file} ${e.row ?? ''} ${e.column ?? ''} ${e.sentence}`).join('; ')}`,
    )
  const pool = poolWithin(client)
  // Its own caches: what is taken back must not stay in the shop's.
  const services = openServices(pool, clock)
  await writeCatalogue(pool, firstEdition(read.catalogue))
  await writeCatalogue(pool, read.catalogue)
  const lists = await selectShopLists(pool)
  const market = await selectMarket(pool)
  const sheetsOf = async (listNumber: string) => {
    const found = await selectListNumber(pool, listNumber)
    if (!found) throw new Error(`the demo names ${listNumber}, which its catalogue lacks`)
    return found.sheets
  }
  for (const { job, entries } of await demoJobs({ now: clock(), gauges: lists.gauges, market, sheetsOf })) {
    const { answers } = await services.appender.append(job, entries)
    const refused = answers.find((answer) => answer.outcome === 'refused')
    if (refused) throw new Error(`the demo's own entry was refused: ${JSON.stringify(refused)}`)
  }
  await client.query(
    "insert into setup (what, done_at) values ('demo', now()) on conflict (what) do update set done_at = now()",
  )
}

/** Only a demo shop is emptied; how many jobs go is named, so that nobody takes another shop for it. */
export class NotReset extends Error {}

/** What would go with the demo. Throws a sentence where the database is no demo's. */
export async function demoJobsToGo(pool: Pool): Promise<number> {
  const kind = await kindOfShop(pool)
  if (kind === 'real')
    throw new NotReset(
      'This is no demo shop: what is in it was entered by a shop, and nothing of it is deleted. For a demo start one on a folder of its own: EKROND_DATA=FOLDER npm start.',
    )
  const { rows } = await pool.query<{ jobs: number }>('select count(*)::int as jobs from job')
  return rows[0]!.jobs
}

/** Empties the demo shop and loads it anew, all or nothing; `jobs` is how many whoever asks believes to be there. */
export async function resetDemo(services: Services, folder: string, jobs: number): Promise<void> {
  await inTransaction(services.pool, async (client) => {
    await client.query('select pg_advisory_xact_lock($1)', [DEMO_LOCK])
    const there = await demoJobsToGo(poolWithin(client))
    if (there !== jobs)
      throw new NotReset(`There are ${there} jobs in this demo shop, not ${jobs}. Nothing was deleted.`)
    await client.query(`truncate ${(await tablesOfAShop(client)).map((table) => `"${table}"`).join(', ')}`)
    await client.query('alter sequence job_number restart')
    await loadDemo(client, services, folder)
  })
  services.cache.forget()
}
