import { Readable } from 'node:stream'
import { finished } from 'node:stream/promises'
import { ZipFile } from 'yazl'
import type { ExportFile } from './export.ts'

/**
 * Files as one packed stream. The next file is asked for when the one before has gone out, so that no more than one is in memory; and
 * whoever stops listening ends the asking, with what it holds open.
 */
export function packed(files: AsyncGenerator<ExportFile>, head = ''): Readable {
  const zip = new ZipFile()
  const out = zip.outputStream as unknown as Readable
  const gone = new Promise<void>((resolve) => out.once('close', resolve))
  const pack = async () => {
    for await (const { name, contents } of files) {
      if (out.destroyed) return
      await Promise.race([put(zip, head + name, contents), gone])
    }
    zip.end()
  }
  pack().catch((error: Error) => out.destroy(error))
  return out
}

/** Puts one file in; done when it has gone out. The archive remembers how it came by each file, and must not remember the file. */
function put(zip: ZipFile, name: string, contents: Buffer): Promise<void> {
  const held: { contents: Buffer | undefined } = { contents }
  return new Promise((done, fail) => {
    zip.addReadStreamLazy(name, { compress: !name.endsWith('.jpg') }, (give) => {
      const one = Readable.from([held.contents!])
      held.contents = undefined
      finished(one).then(done, fail)
      give(null, one)
    })
  })
}
