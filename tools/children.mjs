// What a start runs beside itself, noted in the data folder: a start that was killed is followed by one that finds and ends it.
import { readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { startedAt } from './processes.mjs'

const NAMES = { server: 'a server', instruments: 'simulated instruments' }
const GENTLE_MS = 5000

const fileOf = (folder) => join(folder, 'children.json')

function noted(folder) {
  try {
    return JSON.parse(readFileSync(fileOf(folder), 'utf8'))
  } catch {
    return {}
  }
}

/** Notes a child by its number and when it was started: together they name one process for ever. */
export async function noteChildren(folder, pids) {
  const all = noted(folder)
  for (const [name, pid] of Object.entries(pids)) all[name] = { pid, started: await startedAt(pid) }
  try {
    writeFileSync(`${fileOf(folder)}.making`, JSON.stringify(all))
    renameSync(`${fileOf(folder)}.making`, fileOf(folder))
  } catch {
    // A disk that is full or not ours: they end by themselves when their starter is gone.
  }
}

const lives = async ({ pid, started }) => started !== undefined && (await startedAt(pid)) === started

/** Ends what an earlier start left running, gently first; returns what it was. */
export async function endLeft(folder) {
  const ended = []
  for (const [name, child] of Object.entries(noted(folder))) {
    if (!NAMES[name] || !(await lives(child))) continue
    process.kill(child.pid, 'SIGTERM')
    for (const until = Date.now() + GENTLE_MS; Date.now() < until && (await lives(child));)
      await new Promise((resolve) => setTimeout(resolve, 50))
    if (await lives(child)) process.kill(child.pid, 'SIGKILL')
    while (await lives(child)) await new Promise((resolve) => setTimeout(resolve, 50))
    ended.push(NAMES[name])
  }
  return ended
}
