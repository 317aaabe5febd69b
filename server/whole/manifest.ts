import { createHash } from 'node:crypto'
import * as v from 'valibot'
import type { Files } from '../import/files.ts'
import { readJson } from '../import/read.ts'
import type { Progress, Tell } from '../import/tell.ts'

/** Written last: a folder without it, or whose files are not those that it names, was cut off or altered. */
export const MANIFEST = 'manifest.json'

export const Manifest = v.object({
  format: v.literal(2),
  what: v.literal('a whole Ekrond shop'),
  madeAt: v.string(),
  counts: v.record(v.string(), v.number()),
  /** name → bytes and SHA-256 */
  files: v.record(v.string(), v.tuple([v.number(), v.string()])),
})
export type Manifest = v.InferOutput<typeof Manifest>

export const sha256 = (contents: string | Buffer): string =>
  createHash('sha256').update(contents).digest('hex')

/** Files of which so many are read before it is told how far the check is. */
const TELL_EVERY = 2000

/** Holds every file against the manifest, and tells what is missing or altered. Nothing beside it counts as part of the shop. */
export async function checkManifest(
  files: Files,
  tell: Tell,
  progress?: Progress,
): Promise<Manifest | undefined> {
  if (files.bytes(MANIFEST) === undefined) {
    tell(
      MANIFEST,
      null,
      null,
      'It is missing: this export was cut off, and part of the shop is not in it. Export again.',
    )
    return undefined
  }
  const manifest = readJson(files, MANIFEST, Manifest, tell)
  if (!manifest) return undefined
  let checked = 0
  let faults = 0
  for (const [name, [bytes, hash]] of Object.entries(manifest.files)) {
    const contents = files.bytes(name)
    const fault = (sentence: string) => ++faults <= 50 && tell(name, null, null, sentence)
    if (contents === undefined) fault('The file is missing, and the manifest names it.')
    else if (contents.length !== bytes)
      fault(`The file was cut off or altered: it has ${contents.length} bytes, the manifest says ${bytes}.`)
    else if (sha256(contents) !== hash)
      fault('The file was altered since it went out: its hash does not fit.')
    if (++checked % TELL_EVERY === 0) {
      progress?.('checked against the manifest', checked)
      await new Promise(setImmediate)
    }
  }
  if (faults > 50)
    tell(MANIFEST, null, null, `${faults} files are missing or altered; the first 50 are named.`)
  return manifest
}
