import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seeded } from '../demo/list-numbers.ts'
import { opening } from '../demo/log-entries.ts'
import { freePort, startPostgres } from '../tools/postgres.mjs'

const root = join(import.meta.dirname, '..')
const JOBS = 4
/** The shop's moment: it must not depend on the machine's day. */
const NOW = '2026-11-24T10:40:00Z'

export interface KillsResult {
  kills: number
  acknowledged: number
  lost: number
  doubled: number
  skipped: number
  /** starts after a kill that did not come up by themselves the first time */
  failedStarts: number
  /** what those starts said */
  said: string[]
}

/**
 * Kills the server or its PostgreSQL in the middle of appends, again and again, and counts what was acknowledged and is not in the
 * log once, at the place that was told. Everything on disk is flushed as in a shop; its own data, loopback only.
 */
export async function killAgainAndAgain({
  kills,
  seed,
}: {
  kills: number
  seed: number
}): Promise<KillsResult> {
  const random = seeded(seed)
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-torture-'))
  // PostgreSQL runs as a user of its own.
  chmodSync(folder, 0o711)
  let postgres = await startPostgres(folder)
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  let server = await startServer(postgres.url, port)
  const result: KillsResult = {
    kills: 0,
    acknowledged: 0,
    lost: 0,
    doubled: 0,
    skipped: 0,
    failedStarts: 0,
    said: [],
  }
  const jobs = Array.from({ length: JOBS }, () => randomUUID())
  const told = new Map<string, number>()
  const stop = new AbortController()
  const note = (job: string) => ({
    id: randomUUID(),
    job,
    kind: 'note.written',
    v: 1,
    data: { text: 'in the middle of it' },
    by: 'I. Marrow',
    at: NOW,
  })
  const send = async (job: string, entries: object[]) => {
    const response = await fetch(`${base}/api/jobs/${job}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
      signal: AbortSignal.timeout(15_000),
    })
    if (!response.ok) throw new Error(String(response.status))
    const { answers } = (await response.json()) as {
      answers: { id: string; outcome: string; seq: number; sentence?: string }[]
    }
    // A refusal would count as nothing lost.
    const refused = answers.find(({ outcome }) => outcome === 'refused')
    if (refused) throw new Refused(refused.sentence)
    return answers
  }
  for (const job of jobs) await send(job, [{ ...note(job), kind: 'job.opened', v: 2, data: opening }])

  /** Sends one act after the other; one that got no answer is sent again until it has one, as the queue does. */
  const bench = async (job: string) => {
    while (!stop.signal.aborted) {
      const act = Array.from({ length: 1 + Math.floor(random.next() * 4) }, () => note(job))
      act.forEach((entry, i) => i > 0 && Object.assign(entry, { after: act[i - 1]!.id }))
      for (;;) {
        try {
          for (const answer of await send(job, act)) told.set(answer.id, answer.seq)
          break
        } catch (error) {
          if (error instanceof Refused) throw error
          if (stop.signal.aborted) return
          await pause(30)
        }
      }
    }
  }
  const benches = jobs.map(bench)
  try {
    for (; result.kills < kills; result.kills++) {
      await pause(20 + random.next() * 250)
      if (random.next() < 0.5) {
        server.kill('SIGKILL')
        await ended(server)
      } else {
        process.kill(postmaster(folder), 'SIGKILL')
        // At once, as a start command that is called again would: the children may still be going down.
        postgres = await startPostgres(folder, { port: postgres.port }).catch(async (error: Error) => {
          result.failedStarts++
          result.said.push(`PostgreSQL: ${error.message}`)
          await pause(1000)
          return startPostgres(folder, { port: postgres.port })
        })
      }
      if (server.exitCode !== null || server.signalCode !== null)
        server = await startServer(postgres.url, port).catch(async (error: Error) => {
          result.failedStarts++
          result.said.push(`server: ${error.message}`)
          return startServer(postgres.url, port)
        })
    }
  } finally {
    stop.abort()
    await Promise.all(benches)
    for (const job of jobs) {
      const { entries } = (await (await fetch(`${base}/api/jobs/${job}/entries?after=0`)).json()) as {
        entries: { id: string; seq: number }[]
      }
      const times = new Map<string, number>()
      entries.forEach(({ id, seq }, i) => {
        times.set(id, (times.get(id) ?? 0) + 1)
        if (seq !== i + 1) result.skipped++
        if (told.has(id) && told.get(id) !== seq) result.skipped++
      })
      for (const n of times.values()) if (n > 1) result.doubled++
      for (const id of times.keys()) if (told.delete(id)) result.acknowledged++
    }
    result.lost = told.size
    server.kill('SIGTERM')
    await ended(server)
    await postgres.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  return result
}

class Refused extends Error {}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const ended = (child: ChildProcess) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((resolve) => child.once('exit', () => resolve()))

const postmaster = (folder: string): number =>
  Number(readFileSync(join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0])

function startServer(databaseUrl: string, port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['build/server.mjs'], {
    cwd: root,
    env: {
      ...process.env,
      EKROND_DATABASE_URL: databaseUrl,
      EKROND_PORT: String(port),
      EKROND_ROOT: root,
      EKROND_DEMO: 'off',
      EKROND_NOW: NOW,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let last = ''
  server.stderr.on('data', (chunk: Buffer) => (last = String(chunk).slice(-500)))
  return new Promise((resolve, reject) => {
    server.stdout.on('data', (chunk: Buffer) => String(chunk).includes('listening') && resolve(server))
    server.once('exit', (code) => reject(new Error(`it ended with ${code}: ${last}`)))
  })
}
