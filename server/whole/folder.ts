import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import type { ExportFile } from './export.ts'

/** Whether a place is free for an export: not there, or an empty folder. */
export const isFree = (folder: string): boolean => !existsSync(folder) || readdirSync(folder).length === 0

/**
 * Writes files aside and moves them to their folder when the last one, the manifest, is on the disk: a folder of that name is whole.
 * What was cut off is left as NAME.making, and the next export clears it away.
 */
export async function writeFolder(
  files: AsyncIterable<ExportFile>,
  folder: string,
  progress?: (files: number) => void,
): Promise<number> {
  const making = `${folder}.making`
  rmSync(making, { recursive: true, force: true })
  let written = 0
  for await (const { name, contents } of files) {
    const path = join(making, name)
    mkdirSync(dirname(path), { recursive: true })
    writeFileSync(path, contents)
    if (++written % 1000 === 0) progress?.(written)
  }
  syncFolder(making)
  renameSync(making, folder)
  syncFolder(dirname(folder))
  return written
}

export function syncFolder(path: string): void {
  const handle = openSync(path, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}
