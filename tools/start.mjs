// npm start: installs what is missing, starts the private PostgreSQL, builds, serves, prints the address, stops cleanly. What dies is
// started again; a second start on the same data finds the first.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { claimDataFolder, defaultDataFolder, diskIsFull, lockDataFolder } from './data-folder.mjs'
import { databaseAnswers, readDatabaseUrl } from './database-url.mjs'
import { endLeft, noteChildren } from './children.mjs'
import { ensureDebian, ensurePackages, root, say } from './install.mjs'
import { endAll } from './processes.mjs'

/** A server that dies oftener than this within `AGAIN_MS` is not started once more. */
const MOST_DEATHS = 5
const AGAIN_MS = 60_000
/** How often a full disk is looked at. */
const LOOK_FOR_ROOM_MS = 2000

let postgres
let server
let instruments
let lock
let stopping = false

async function stop(code) {
  if (stopping) return
  stopping = true
  endAll()
  instruments?.kill('SIGTERM')
  if (server && server.exitCode === null && server.signalCode === null) {
    const ending = server
    await new Promise((resolve) => {
      ending.once('exit', resolve)
      ending.kill('SIGTERM')
      setTimeout(() => ending.kill('SIGKILL'), 5000).unref()
    })
  }
  if (postgres) await postgres.stop()
  lock?.release()
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0))

const deaths = []
function diedTooOften() {
  deaths.push(Date.now())
  while (deaths[0] < Date.now() - AGAIN_MS) deaths.shift()
  return deaths.length > MOST_DEATHS
}

try {
  const begun = Date.now()
  const port = readPort(process.env.EKROND_PORT ?? '4180')
  readNow(process.env.EKROND_NOW)
  const given = process.env.EKROND_DATABASE_URL || undefined
  if (given) readDatabaseUrl(given)
  const folder = defaultDataFolder()
  if (!given) {
    claimDataFolder(folder)
    const held = await lockDataFolder(folder)
    if (held.taken) {
      say(
        held.taken.address
          ? `it runs already on ${folder}: open ${held.taken.address}`
          : `it is being started already on ${folder} by process ${held.taken.pid}`,
      )
      process.exit(0)
    }
    lock = held
    // A start that was killed left its server behind: it holds the port, and nobody could stop it.
    for (const name of await endLeft(folder)) say(`${name} that an earlier start left running was ended`)
  }
  await portIsFree(port)
  await ensurePackages()
  if (!given) await ensureDebian(['postgres'])
  if (given) await databaseAnswers(given)
  const { ensureBuild } = await import('./build.mjs')
  await ensureBuild()
  const address = `http://127.0.0.1:${port}`
  const url = given ?? (await keepPostgres(folder))
  if (!given) {
    say(`the shop's data lies in ${folder}`)
    const { hasChecksums } = await import('./postgres.mjs')
    if ((await hasChecksums(folder)) === false)
      say(
        'its data has no checksums yet: a damaged disk would go unseen. Stop it and run once: npm run checksums',
      )
  }
  await keepServer(url, port, folder, async () => {
    if (process.env.EKROND_DEMO !== 'off') startInstruments(address, folder)
    await lock?.say(address)
    say(`open ${address}  (ready in ${((Date.now() - begun) / 1000).toFixed(1)} s; Ctrl-C stops it)`)
  })
} catch (error) {
  if (!stopping) console.error(`ekrond: ${error.message}`)
  await stop(1)
}

/** Starts PostgreSQL, and again on the same port when it dies while we live. */
async function keepPostgres(folder) {
  const { startPostgres } = await import('./postgres.mjs')
  const started = await startPostgres(folder, postgres ? { port: postgres.port } : {})
  if (stopping) {
    await started.stop()
    throw new Error('stopped')
  }
  postgres = started
  started.watch(() => {
    if (stopping) return
    if (diskIsFull(folder)) return void waitForRoom(folder)
    if (diedTooOften()) return giveUp('PostgreSQL', `see ${folder}/postgres.log`)
    say('PostgreSQL ended by itself; it is started again')
    keepPostgres(folder).catch((error) => {
      if (stopping) return
      if (diskIsFull(folder)) return void waitForRoom(folder)
      console.error(`ekrond: ${error.message}`)
      void stop(1)
    })
  })
  return started.url
}

/** The disk is full: what is entered waits in the windows, and PostgreSQL comes back when somebody has made room. */
async function waitForRoom(folder) {
  say(`the disk with ${folder} is full, and PostgreSQL cannot go on. Make room: work goes on by itself`)
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, LOOK_FOR_ROOM_MS))
    if (stopping) return
    if (diskIsFull(folder)) continue
    try {
      await keepPostgres(folder)
      return say('there is room again, and it goes on')
    } catch (error) {
      if (stopping) return
      if (diskIsFull(folder) || /No space left|disk .* is full/.test(error.message)) continue
      console.error(`ekrond: ${error.message}`)
      return void stop(1)
    }
  }
}

/** Starts the server, and again when it dies. */
function keepServer(url, port, folder, listening) {
  let told = false
  const child = spawn(process.execPath, ['--enable-source-maps', 'build/server.mjs'], {
    cwd: root,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      EKROND_DATABASE_URL: url,
      EKROND_PORT: String(port),
      EKROND_ROOT: root,
      ...(process.env.EKROND_DATABASE_URL ? {} : { EKROND_DATA_FOLDER: folder }),
    },
    // By the channel it hears when we are gone.
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  })
  server = child
  if (lock) void noteChildren(folder, { server: child.pid })
  child.stdout.on('data', (chunk) => {
    if (/listening \S+/.test(String(chunk))) {
      if (!told) void listening()
      told = true
    } else process.stdout.write(chunk)
  })
  child.once('exit', (code) => {
    if (stopping) return
    // 2: what it was given cannot work; it has said so.
    if (code === 2) return void stop(1)
    if (diedTooOften()) return giveUp('the server', 'its last words stand above')
    say('the server ended by itself; it is started again')
    // One that never came as far as its address still has it to say.
    const next = told ? () => say('it serves again') : listening
    setTimeout(() => !stopping && keepServer(url, port, folder, next), 300)
  })
}

/** The demo's simulated instruments: they connect again by themselves when the server comes back. */
function startInstruments(address, folder) {
  instruments = spawn(process.execPath, ['build/instruments.mjs'], {
    cwd: root,
    env: { ...process.env, EKROND_ADDRESS: address },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  if (lock) void noteChildren(folder, { instruments: instruments.pid })
}

function giveUp(what, where) {
  console.error(`ekrond: ${what} ended ${MOST_DEATHS} times within a minute and is left alone now; ${where}.`)
  void stop(1)
}

function readPort(text) {
  const port = Number(text)
  if (text.trim() === '' || !Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(
      `EKROND_PORT is no port: “${text}”. Give a whole number from 1 to 65535, or leave it out for 4180.`,
    )
  return port
}

function readNow(text) {
  if (text && Number.isNaN(new Date(text).getTime()))
    throw new Error(`EKROND_NOW is no instant: “${text}”. Write it as 2026-11-24T10:40:00Z, or leave it out.`)
}

function portIsFree(port) {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) =>
      reject(
        new Error(
          error.code === 'EADDRINUSE'
            ? `port ${port} is in use by another program. Set EKROND_PORT to one that is free.`
            : `port ${port} cannot be opened (${error.code}). Set EKROND_PORT to another one.`,
        ),
      ),
    )
    probe.listen(port, '127.0.0.1', () => probe.close(resolve))
  })
}
