import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { chmodSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seeded } from '../demo/list-numbers.ts'
import { loadDemoIfEmpty } from '../server/cli/demo.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool, type Pool } from '../server/db/pool.ts'
import { isUntouched, kindOfShop } from '../server/db/untouched.ts'
import { folderFiles } from '../server/import/files.ts'
import { openServices } from '../server/services.ts'
import { restore } from '../server/whole/backup.ts'
import { exportShop } from '../server/whole/export.ts'
import { writeFolder } from '../server/whole/folder.ts'
import { checkManifest } from '../server/whole/manifest.ts'
import { startPostgres } from '../tools/postgres.mjs'

const root = join(import.meta.dirname, '..')
const NOW = '2026-11-24T10:40:00Z'
/** A command takes about so long with the demo; it is killed somewhere on its way. */
const LONGEST_MS = 3500

export interface CommandKills {
  kills: number
  /** commands that had ended before they were killed */
  ended: number
  /** what was left half done, in words */
  half: string[]
}

/**
 * Kills each command that takes the whole shop in or out in the middle of it: what it leaves is nothing, or whole. A PostgreSQL and
 * folders of its own.
 */
export async function killCommands({ kills, seed }: { kills: number; seed: number }): Promise<CommandKills> {
  const random = seeded(seed)
  const data = mkdtempSync(join(tmpdir(), 'ekrond-commands-'))
  // PostgreSQL runs as a user of its own.
  chmodSync(data, 0o711)
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-commands-out-'))
  const postgres = await startPostgres(data)
  const urlOf = (name: string) => postgres.url.replace(/\/[^/]*$/, `/${name}`)
  const pool = openPool(postgres.url, 'long')
  const result: CommandKills = { kills: 0, ended: 0, half: [] }
  try {
    await migrate(pool, join(root, 'server/db/migrations'))
    await loadDemoIfEmpty(
      openServices(pool, () => new Date(NOW)),
      join(root, 'demo/catalogue'),
    )
    const whole = join(folder, 'whole')
    await writeFolder(exportShop(pool, new Date(NOW)), whole)
    const backup = join(folder, 'whole.zip')
    await run(['server/cli/backup.ts', backup], postgres.url)
    const jobs = async (db: Pool) =>
      (await db.query<{ n: number }>('select count(*)::int as n from job')).rows[0]!.n
    const fresh = async (name: string, work: (url: string, db: Pool) => Promise<string>) => {
      await pool.query(`create database ${name}`)
      const db = openPool(urlOf(name), 'long')
      try {
        return await work(urlOf(name), db)
      } finally {
        await db.end()
        await pool.query(`drop database ${name} with (force)`)
      }
    }
    const untouchedOr15 = async (db: Pool, what: string) => {
      // Killed before it made its tables it left none.
      await migrate(db, join(root, 'server/db/migrations'))
      if (await isUntouched(db)) return ''
      const n = await jobs(db)
      return n === 15 && (await kindOfShop(db)) === 'demo' ? '' : `${what}: ${n} of 15 jobs`
    }
    const trials: Record<string, (n: number, ms: number) => Promise<string>> = {
      export: async (n, ms) => {
        const out = join(folder, `out-${n}`)
        await killed(['server/cli/export.ts', out], postgres.url, ms)
        const faults: string[] = []
        if (existsSync(out)) await checkManifest(folderFiles(out), (file) => void faults.push(file))
        for (const path of [out, `${out}.making`]) rmSync(path, { recursive: true, force: true })
        return faults.length ? `export: ${faults[0]}` : ''
      },
      backup: async (n, ms) => {
        const out = join(folder, `out-${n}.zip`)
        await killed(['server/cli/backup.ts', out], postgres.url, ms)
        if (!existsSync(out)) return ''
        return fresh(`check_${n}`, async (_url, db) => {
          await migrate(db, join(root, 'server/db/migrations'))
          const { jobs: taken } = await restore(db, out)
          return taken === 15 ? '' : `backup: ${taken} of 15 jobs`
        })
      },
      import: (n, ms) =>
        fresh(`import_${n}`, async (url, db) => {
          await killed(['server/cli/import.ts', whole], url, ms)
          return untouchedOr15(db, 'import')
        }),
      restore: (n, ms) =>
        fresh(`restore_${n}`, async (url, db) => {
          await killed(['server/cli/restore.ts', backup], url, ms)
          return untouchedOr15(db, 'restore')
        }),
      demo: async (_n, ms) => {
        await killed(['server/cli/demo-reset.ts', '--yes-delete', '15'], postgres.url, ms)
        const left = await jobs(pool)
        return left === 15 ? '' : `demo: ${left} of 15 jobs`
      },
    }
    for (; result.kills < kills; result.kills++) {
      const [name, trial] = random.pick(Object.entries(trials))
      const half = await trial(result.kills, 300 + random.next() * LONGEST_MS).catch(
        (error: Error) => `${name}: ${error.message}`,
      )
      if (half) result.half.push(half)
    }
  } finally {
    await pool.end()
    await postgres.stop()
    for (const path of [data, folder]) rmSync(path, { recursive: true, force: true })
  }
  return result

  async function killed(args: string[], url: string, ms: number) {
    const child = start(args, url)
    const timer = setTimeout(() => child.kill('SIGKILL'), ms)
    const [code] = (await once(child, 'exit')) as [number | null]
    clearTimeout(timer)
    if (code !== null) result.ended++
  }
}

const start = (args: string[], url: string) =>
  spawn(process.execPath, ['--import', import.meta.resolve('tsx'), ...args], {
    cwd: root,
    env: { ...process.env, EKROND_DATABASE_URL: url, EKROND_NOW: NOW },
    stdio: 'ignore',
  })

async function run(args: string[], url: string) {
  const [code] = (await once(start(args, url), 'exit')) as [number]
  if (code !== 0) throw new Error(`${args.join(' ')} ended with ${code}`)
}
