import { fold } from '@ekrond/core/log'
import { summarise } from '@ekrond/core/bench/stations'
import { inTransaction, type Pool } from '../db/pool.ts'
import { jobCache } from './append.ts'
import { selectEntries, updateJob } from './jobs.sql.ts'

/** Makes every job's row on the rack again from its log. Returns how many rows it went through. */
export async function rebuildProjection(pool: Pool): Promise<number> {
  const cache = jobCache()
  const { rows } = await pool.query<{ job: string }>('select job from job order by number')
  for (const { job } of rows)
    await inTransaction(pool, async (client) => {
      await client.query('select 1 from job where job = $1 for update', [job])
      const state = fold(job, await selectEntries(client, job))
      const summary = summarise(state, await cache.sheets(client, state))
      if (summary) await updateJob(client, summary)
    })
  return rows.length
}

/** Makes the rows again where a migration gave them columns that only the logs can fill. */
export async function rebuildIfOlder(pool: Pool): Promise<void> {
  const { rows } = await pool.query<{ older: boolean }>(
    'select exists (select 1 from job where opened_at is null) as older',
  )
  if (rows[0]!.older) await rebuildProjection(pool)
}
