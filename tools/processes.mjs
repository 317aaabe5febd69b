// Children that end with us: each is remembered while it runs, and ended when we are told to stop.
import { spawn } from 'node:child_process'

const running = new Set()
let ending = false

/** Runs a command to its end, without holding up signals; its output is kept and told where it fails. */
export function runToEnd(command, args, options = {}) {
  if (ending) return Promise.reject(new Error('stopped'))
  return new Promise((resolve, reject) => {
    const { mayFail, ...rest } = options
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], detached: true, ...rest })
    running.add(child)
    const said = []
    child.stdout?.on('data', (chunk) => said.push(chunk))
    child.stderr?.on('data', (chunk) => said.push(chunk))
    child.once('error', (error) => {
      running.delete(child)
      reject(new Error(`${command} cannot be run: ${error.message}`))
    })
    child.once('close', (code) => {
      running.delete(child)
      const output = Buffer.concat(said).toString()
      if (code === 0 || mayFail) return resolve({ code, output })
      reject(
        Object.assign(new Error(`${command} ${args.slice(0, 3).join(' ')} failed:\n${output.trim()}`), {
          output,
        }),
      )
    })
  })
}

/** Ends whatever `runToEnd` still runs, with what that started in turn. */
export function endAll() {
  ending = true
  for (const child of running)
    try {
      process.kill(-child.pid, 'SIGKILL')
    } catch {
      // gone
    }
}

/** When a process was started, in ticks since the machine was (Linux): with its number it names one process for ever. */
export async function startedAt(pid) {
  const { readFile } = await import('node:fs/promises')
  try {
    const stat = await readFile(`/proc/${pid}/stat`, 'utf8')
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19]
  } catch {
    return undefined
  }
}
