import { createReadStream, lstatSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** A folder's files as the import reads them: from the disk, or as they were sent. */
export interface Files {
  /** file names under a sub-folder, sorted */
  list(folder: string): string[]
  /** undefined where there is no such file */
  read(name: string): string | undefined
  /** as it lies there; undefined where there is no such file */
  bytes(name: string): Buffer | undefined
  /** a file's text piece by piece, for tables that may not fit into memory; undefined where there is none */
  pieces(name: string): Iterable<string> | AsyncIterable<string> | undefined
  /** whether the pieces are read anew each time, and rows need not be kept */
  onDisk: boolean
}

/** What lies in a folder's place, a link not followed: an import reads what is in the folder and nothing else. */
const lies = (path: string) => lstatSync(path, { throwIfNoEntry: false })

export class NotAFile extends Error {}

export function folderFiles(folder: string): Files {
  const pathOf = (name: string): string | undefined => {
    const path = join(folder, name)
    const there = lies(path)
    if (!there) return undefined
    if (there.isSymbolicLink())
      throw new NotAFile('It is a link; links are not followed. Put the file itself here.')
    if (!there.isFile()) throw new NotAFile('It is a folder; a file is needed.')
    return path
  }
  return {
    list: (sub) =>
      lies(join(folder, sub))?.isDirectory()
        ? readdirSync(join(folder, sub))
            .sort()
            .map((name) => `${sub}/${name}`)
        : [],
    read(name) {
      const path = pathOf(name)
      return path === undefined ? undefined : readFileSync(path, 'utf8')
    },
    bytes(name) {
      const path = pathOf(name)
      return path === undefined ? undefined : readFileSync(path)
    },
    pieces(name) {
      const path = pathOf(name)
      return path === undefined
        ? undefined
        : createReadStream(path, { encoding: 'utf8', highWaterMark: 1 << 18 })
    },
    onDisk: true,
  }
}

/** Files as a browser sends a chosen folder: its own name before each path is left away. */
export function sentFiles(sent: Readonly<Record<string, string>>): Files {
  const names = Object.keys(sent)
  const head = names.find((name) => /(^|\/)(catalogue|shop)\.json$/.test(name))
  const before = head ? head.slice(0, head.lastIndexOf('/') + 1) : ''
  const files = new Map(
    names
      .filter((name) => name.startsWith(before))
      .map((name) => [name.slice(before.length), sent[name]!] as const),
  )
  return {
    list: (sub) => [...files.keys()].filter((name) => name.startsWith(`${sub}/`)).sort(),
    read: (name) => files.get(name),
    bytes: (name) => (files.has(name) ? Buffer.from(files.get(name)!) : undefined),
    pieces: (name) => (files.has(name) ? [files.get(name)!] : undefined),
    onDisk: false,
  }
}
