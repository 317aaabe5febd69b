import { join } from 'node:path'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { rebuildProjection } from '../jobs/rebuild.ts'

const pool = openPool(process.env.EKROND_DATABASE_URL!)
await migrate(pool, join(process.cwd(), 'server/db/migrations'))
console.log(`${await rebuildProjection(pool)} jobs rebuilt from their logs.`)
await pool.end()
