import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** A folder's files as the import reads them: from the disk, or as they were sent. */
export interface Files {
  /** file names under a sub-folder, sorted */
  list(folder: string): string[]
  /** undefined where there is no such file */
  read(name: string): string | undefined
}

export const folderFiles = (folder: string): Files => ({
  list: (sub) =>
    existsSync(join(folder, sub))
      ? readdirSync(join(folder, sub))
          .sort()
          .map((name) => `${sub}/${name}`)
      : [],
  read: (name) => (existsSync(join(folder, name)) ? readFileSync(join(folder, name), 'utf8') : undefined),
})

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
  }
}
