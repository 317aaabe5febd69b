import { join } from 'node:path'
import { clockFrom } from '../clock.ts'
import { migrate } from '../db/migrate.ts'
import { openPool } from '../db/pool.ts'
import { openServices } from '../services.ts'
import { resetDemo } from './demo.ts'

const pool = openPool(process.env.EKROND_DATABASE_URL!)
await migrate(pool, join(process.cwd(), 'server/db/migrations'))
await resetDemo(openServices(pool, clockFrom(process.env.EKROND_NOW)), join(process.cwd(), 'demo/catalogue'))
await pool.end()
console.log('The demo shop stands as new.')
