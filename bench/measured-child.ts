import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const root = join(import.meta.dirname, '..')

export interface Ran {
  seconds: number
  /** the most memory that it held, MB */
  peakMegabytes: number
  said: string
}

/** Runs one of our commands on a database as `npm run` does, with its time and the most memory that it held. */
export async function runMeasured(
  script: string,
  args: readonly string[],
  databaseUrl: string,
): Promise<Ran> {
  const begun = performance.now()
  const child = spawn(process.execPath, ['--import', import.meta.resolve('tsx'), script, ...args], {
    cwd: root,
    env: { ...process.env, EKROND_DATABASE_URL: databaseUrl },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  let peak = 0
  child.stdout.on('data', (chunk: Buffer) => (said += String(chunk)))
  child.stderr.on('data', (chunk: Buffer) => (said += String(chunk)))
  const watch = setInterval(() => (peak = Math.max(peak, peakOf(child.pid!))), 100)
  const [code] = (await once(child, 'exit')) as [number]
  clearInterval(watch)
  if (code !== 0) throw new Error(said)
  return { seconds: Math.round((performance.now() - begun) / 1000), peakMegabytes: peak, said }
}

/** The kernel's own account of the most memory that a process held, MB. */
function peakOf(pid: number): number {
  try {
    const kilobytes = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))
    return Math.round(Number(kilobytes?.[1] ?? 0) / 1000)
  } catch {
    return 0
  }
}
