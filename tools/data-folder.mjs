// The folder that holds a shop's data: whose it is, who works on it now, and whether it can be used at all.
import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  statfsSync,
  unlinkSync,
  writeFileSync,
} from 'node:fs'
import { homedir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { startedAt } from './processes.mjs'

/** A folder is ours by this file alone. */
const MARKER = 'ekrond-data.json'
const LOCK = 'ekrond.lock'

export const defaultDataFolder = () =>
  resolve(
    process.env.EKROND_DATA ??
      (process.getuid?.() === 0
        ? '/var/lib/ekrond'
        : join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local/share'), 'ekrond')),
  )

const OTHER = 'Set EKROND_DATA to another folder.'

/**
 * Makes a folder ours, or finds that it is: new or empty ones get the marker, one with anything else in it is left as it is and
 * refused. `user` is who must be able to enter it besides us. Throws a sentence.
 */
export function claimDataFolder(folder, user = {}) {
  if (existsSync(folder) && !statSync(folder).isDirectory())
    throw new Error(`the data folder ${folder} is a file. ${OTHER}`)
  const marker = join(folder, MARKER)
  try {
    mkdirSync(folder, { recursive: true, mode: 0o711 })
    if (!existsSync(marker)) {
      const inside = readdirSync(folder).filter((name) => name !== LOCK)
      if (inside.length > 0 && !isOlder(folder))
        throw new Error(
          `the folder ${folder} has something in it that is not Ekrond’s (${inside.slice(0, 3).join(', ')}). Nothing was touched. ${OTHER}`,
        )
      writeFileSync(marker, `${JSON.stringify({ what: 'the data of an Ekrond shop', format: 1 })}\n`)
    }
    const probe = join(folder, '.probe')
    writeFileSync(probe, Buffer.alloc(64 * 1024))
    unlinkSync(probe)
  } catch (error) {
    throw diskSentence(error, folder)
  }
  if (user.uid !== undefined) mustBeEntered(folder, user)
}

/** What versions before the marker left: their cluster and its password. */
const isOlder = (folder) =>
  existsSync(join(folder, 'password')) && existsSync(join(folder, 'postgres', 'PG_VERSION'))

function diskSentence(error, folder) {
  if (error.code === 'ENOSPC')
    return new Error(`the disk with ${folder} is full. Make room, or ${lower(OTHER)}`)
  if (error.code === 'EROFS') return new Error(`the disk with ${folder} cannot be written to. ${OTHER}`)
  if (error.code === 'EACCES' || error.code === 'EPERM')
    return new Error(`the data folder ${folder} cannot be written to by this user. ${OTHER}`)
  if (error.code === 'ENOTDIR')
    return new Error(`the way to the data folder ${folder} leads through a file. ${OTHER}`)
  return error
}
const lower = (text) => text.charAt(0).toLowerCase() + text.slice(1)

/** PostgreSQL runs as a user of its own, who must get to the cluster through every folder on the way. */
function mustBeEntered(folder, { uid, gid }) {
  for (let at = folder; ; at = dirname(at)) {
    const { mode, uid: owner, gid: group } = statSync(at)
    const may = owner === uid ? mode & 0o100 : group === gid ? mode & 0o010 : mode & 0o001
    if (!may)
      throw new Error(
        `PostgreSQL’s user cannot enter ${at}, and its data would lie in there. Allow it (chmod o+x ${at}), or ${lower(OTHER)}`,
      )
    if (at === dirname(at)) return
  }
}

/**
 * Takes the folder's lock for this process. `taken` names who has it: a process that lives and its address where it said one. A lock
 * whose process is gone, also where another one has its number now, is taken over.
 */
export async function lockDataFolder(folder) {
  const file = join(folder, LOCK)
  for (let tries = 0; tries < 50; tries++) {
    try {
      const handle = openSync(file, 'wx', 0o644)
      writeFileSync(handle, JSON.stringify({ pid: process.pid, started: await startedAt(process.pid) }))
      closeSync(handle)
      return {
        taken: undefined,
        say: async (address) => {
          const next = `${file}.${process.pid}`
          writeFileSync(
            next,
            JSON.stringify({ pid: process.pid, started: await startedAt(process.pid), address }),
          )
          renameSync(next, file)
        },
        release: () => {
          if (readLock(file)?.pid === process.pid) rmSync(file, { force: true })
        },
      }
    } catch (error) {
      if (error.code !== 'EEXIST') throw diskSentence(error, folder)
    }
    const held = readLock(file)
    if (held && (await startedAt(held.pid)) === held.started && held.started !== undefined)
      return { taken: held }
    // Half written just now, or left by a process that is gone.
    if (!held) await new Promise((done) => setTimeout(done, 100))
    if (held || tries > 20) takeAway(file)
  }
  throw new Error(`the lock ${file} cannot be taken. Remove it if no Ekrond runs on this folder.`)
}

function readLock(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return undefined
  }
}

// Renamed first: of two that find the same stale lock only one takes it away.
function takeAway(file) {
  const aside = `${file}.stale.${process.pid}`
  try {
    renameSync(file, aside)
    unlinkSync(aside)
  } catch {
    // another one did
  }
}

/** Less room than this and PostgreSQL stops at its next write. */
const LEAST_ROOM_BYTES = 40 * 1024 * 1024

export function diskIsFull(folder) {
  try {
    const { bavail, bsize } = statfsSync(folder)
    return bavail * bsize < LEAST_ROOM_BYTES
  } catch {
    return false
  }
}
