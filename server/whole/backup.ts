import {
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { once } from 'node:events'
import { dirname, join, resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import yauzl from 'yauzl'
import type { Pool } from '../db/pool.ts'
import { folderFiles } from '../import/files.ts'
import type { Progress } from '../import/tell.ts'
import { exportShop } from './export.ts'
import { syncFolder } from './folder.ts'
import { importShop, WholeShopFaults, type TakenShop } from './import.ts'
import { MANIFEST } from './manifest.ts'
import { packed } from './pack.ts'

/** How a night's backup is called, so that their names stand in order. */
const NIGHTLY = /^shop-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2})\.ekrond\.zip$/
const FAILURE = 'last-failure.json'

/** The whole shop as one file, from one snapshot while work goes on: written aside, on the disk before it has its name. */
export async function backUp(pool: Pool, file: string, madeAt: Date): Promise<{ bytes: number }> {
  const making = `${file}.making`
  mkdirSync(dirname(resolve(file)), { recursive: true })
  const out = createWriteStream(making, { mode: 0o600, flush: true })
  try {
    // Opened before anything can fail: what is taken away below must be there.
    await once(out, 'open')
    await pipeline(packed(exportShop(pool, madeAt)), out)
    renameSync(making, file)
    syncFolder(dirname(resolve(file)))
    return { bytes: statSync(file).size }
  } catch (error) {
    rmSync(making, { force: true })
    throw error
  }
}

/** Takes a backup in, into an empty shop: unpacked beside it, held against its manifest, all or nothing. */
export async function restore(
  pool: Pool,
  file: string,
  { progress, overDemo }: { progress?: Progress; overDemo?: number } = {},
): Promise<TakenShop> {
  const aside = mkdtempSync(`${resolve(file)}.reading-`)
  try {
    await unpack(file, aside)
    const files = folderFiles(aside)
    if (files.bytes(MANIFEST) === undefined)
      throw notBackup(file, 'It has no manifest: it is no backup of Ekrond, or was cut off before its end.')
    return await importShop(pool, files, progress, overDemo)
  } finally {
    rmSync(aside, { recursive: true, force: true })
  }
}

const notBackup = (file: string, sentence: string) =>
  new WholeShopFaults([{ file, row: null, column: null, sentence }])

async function unpack(file: string, folder: string): Promise<void> {
  const zip = await new Promise<yauzl.ZipFile>((done, fail) =>
    yauzl.open(file, { lazyEntries: true, autoClose: false }, (error, opened) =>
      error
        ? fail(notBackup(file, `It cannot be read as a backup: it was cut off or altered.`))
        : done(opened),
    ),
  )
  try {
    await new Promise<void>((done, fail) => {
      zip.on('error', () => fail(notBackup(file, 'It cannot be read to its end: it was cut off or altered.')))
      zip.on('end', done)
      zip.on('entry', (entry: yauzl.Entry) => {
        const path = join(folder, entry.fileName)
        zip.openReadStream(entry, (error, stream) => {
          if (error) return fail(notBackup(file, `${entry.fileName} in it cannot be read.`))
          mkdirSync(dirname(path), { recursive: true })
          pipeline(stream, createWriteStream(path)).then(
            () => zip.readEntry(),
            (fault: { code?: string }) =>
              fail(
                fault.code === 'ENOSPC'
                  ? (fault as Error)
                  : notBackup(file, `${entry.fileName} in it was cut off or altered.`),
              ),
          )
        })
      })
      zip.readEntry()
    })
  } finally {
    zip.close()
  }
}

export interface BackupState {
  /** when the newest one was made; null where there is none */
  at: string | null
  /** why the last try made none; empty where it did */
  failed: string
}

/**
 * Where the nightly backups lie: beside the data, or where EKROND_BACKUPS says (another disk is better). Undefined where none are made:
 * EKROND_BACKUPS=off, or a database elsewhere without a folder named.
 */
export function backupFolder(): string | undefined {
  const { EKROND_BACKUPS: named, EKROND_DATA_FOLDER: data } = process.env
  if (named === 'off') return undefined
  if (named) return resolve(named)
  return data && join(data, 'backups')
}

const nightlies = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NIGHTLY.test(name))
        .sort()
    : []

/** What stands in the folder of the nightly backups. */
export function backupState(folder: string): BackupState {
  const newest = nightlies(folder).at(-1)
  const failure = join(folder, FAILURE)
  let failed = ''
  try {
    if (existsSync(failure)) failed = (JSON.parse(readFileSync(failure, 'utf8')) as { why: string }).why
  } catch {
    failed = 'the last one failed'
  }
  const stamp = newest && NIGHTLY.exec(newest)![1]!
  return { at: stamp ? `${stamp.slice(0, 13)}:${stamp.slice(14)}:00.000Z` : null, failed }
}

/** Makes tonight's backup in its folder and takes away the oldest beyond `keep`; a failure is noted there for the rack. */
export async function backUpNightly(pool: Pool, folder: string, now: Date, keep: number): Promise<string> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const file = join(folder, `shop-${now.toISOString().slice(0, 16).replace(':', '-')}.ekrond.zip`)
  try {
    await backUp(pool, file, now)
    rmSync(join(folder, FAILURE), { force: true })
  } catch (error) {
    const why =
      (error as { code?: string }).code === 'ENOSPC'
        ? 'the disk is full'
        : (error as Error).message.slice(0, 200)
    try {
      writeFileSync(join(folder, FAILURE), JSON.stringify({ at: now.toISOString(), why }))
    } catch {
      // No room for the note either: the age of the newest says it.
    }
    throw error
  }
  for (const old of nightlies(folder).slice(0, -keep)) rmSync(join(folder, old), { force: true })
  return file
}
