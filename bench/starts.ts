import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { opening } from '../demo/log-entries.ts'
import { freePort } from '../tools/postgres.mjs'

const root = join(import.meta.dirname, '..')
const NOW = '2026-11-24T10:40:00Z'

export interface Started {
  starter: ChildProcess
  address: string
  said: () => string
  /** as Ctrl-C does */
  stop(): Promise<void>
  kill(): Promise<void>
}

const gone = (child: ChildProcess) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((resolve) => child.once('exit', () => resolve()))

export function newDataFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-start-'))
  // PostgreSQL runs as a user of its own.
  chmodSync(folder, 0o711)
  return folder
}

/** `npm start` on a data folder and port of its own, as far as it got within `waitMs`, or until it says where it is open. */
export async function startOn(
  folder: string,
  port: number,
  { demo = false, waitMs = Infinity }: { demo?: boolean; waitMs?: number } = {},
): Promise<Started> {
  const starter = spawn(process.execPath, ['tools/start.mjs'], {
    cwd: root,
    env: {
      ...process.env,
      EKROND_DATA: folder,
      EKROND_PORT: String(port),
      EKROND_DATABASE_URL: '',
      EKROND_NOW: NOW,
      EKROND_DEMO: demo ? '' : 'off',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  starter.stdout.on('data', (chunk: Buffer) => (said += String(chunk)))
  starter.stderr.on('data', (chunk: Buffer) => (said += String(chunk)))
  await Promise.race([
    new Promise<void>((resolve, reject) => {
      starter.stdout.on('data', () => /open http:\S+ {2}\(ready/.test(said) && resolve())
      starter.once('exit', (code) => reject(new Error(`the start ended with ${code}: ${said.slice(-800)}`)))
    }),
    ...(waitMs === Infinity ? [] : [new Promise<void>((resolve) => setTimeout(resolve, waitMs))]),
  ])
  const end = async (signal: NodeJS.Signals) => {
    starter.kill(signal)
    await gone(starter)
  }
  return {
    starter,
    address: `http://127.0.0.1:${port}`,
    said: () => said,
    stop: () => end('SIGINT'),
    kill: () => end('SIGKILL'),
  }
}

/** The process that an earlier start noted under this name. */
export const childOf = (folder: string, name: 'server' | 'instruments'): number =>
  (JSON.parse(readFileSync(join(folder, 'children.json'), 'utf8')) as Record<string, { pid: number }>)[name]!
    .pid

/** A job that somebody enters, and whether it is there. */
export async function enterJob(address: string): Promise<string> {
  const job = randomUUID()
  const entry = { id: randomUUID(), job, kind: 'job.opened', v: 2, data: opening, by: 'R. Oda', at: NOW }
  const response = await fetch(`${address}/api/jobs/${job}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries: [entry] }),
  })
  const { answers } = (await response.json()) as { answers: { outcome: string }[] }
  if (answers[0]!.outcome !== 'accepted') throw new Error(`the job was not taken: ${JSON.stringify(answers)}`)
  return job
}

export const hasJob = async (address: string, job: string): Promise<boolean> =>
  (await fetch(`${address}/api/jobs/${job}`)).ok

export interface CutResult {
  cuts: number
  lost: number
  failed: number
  said: string[]
}

/** Resolves as soon as PostgreSQL's files are being made in a data folder. */
async function beingMade(folder: string): Promise<void> {
  const begun = () =>
    readdirSync(folder).some(
      (name) => name.startsWith('postgres.making') && existsSync(join(folder, name, 'base', '1')),
    )
  while (!begun()) await new Promise((resolve) => setTimeout(resolve, 2))
}

/**
 * A first start with the demo that is cut off after so many milliseconds, or while PostgreSQL's files are made, by a kill or by Ctrl-C
 * in turn; then a shop that somebody works in, and a start that would load the demo: what was entered must be there.
 */
export async function cutFirstStarts(afterMs: readonly (number | 'being made')[]): Promise<CutResult> {
  const result: CutResult = { cuts: 0, lost: 0, failed: 0, said: [] }
  for (const [i, ms] of afterMs.entries()) {
    const folder = newDataFolder()
    const port = await freePort()
    const when = ms === 'being made' ? 'while PostgreSQL’s files were made' : `after ${ms} ms`
    try {
      const cut = await startOn(folder, port, { demo: true, waitMs: ms === 'being made' ? 0 : ms })
      if (ms === 'being made') await beingMade(folder)
      await (i % 2 ? cut.stop() : cut.kill())
      const shop = await startOn(folder, port)
      const job = await enterJob(shop.address)
      await shop.stop()
      const again = await startOn(folder, port, { demo: true })
      if (!(await hasJob(again.address, job))) {
        result.lost++
        result.said.push(`cut off ${when}: the job is gone`)
      }
      await again.stop()
    } catch (error) {
      result.failed++
      result.said.push(`cut off ${when}: ${(error as Error).message}`)
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
    result.cuts++
  }
  return result
}
