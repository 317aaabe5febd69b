import { Readable } from 'node:stream'
import { finished } from 'node:stream/promises'
import { ZipFile } from 'yazl'
import type { ExportFile } from './export.ts'

/**
 * Files as one packed stream. The next file is asked for when the one before has gone out, so that no more than one is in memory; and
 * whoever stops listening ends the asking, with what it holds open.
 */
export function packed(files: AsyncGenerator<ExportFile>, head = ''): NodeJS.ReadableStream & Readable {
  const zip = new ZipFile()
  const out = zip.outputStream as unknown as Readable
  const gone = new Promise<void>((resolve) => out.once('close', resolve))
  const pack = async () => {
    for await (const { name, contents } of files) {
      if (out.destroyed) return
      const one = Readable.from([Buffer.isBuffer(contents) ? contents : Buffer.from(contents)])
      zip.addReadStream(one, head + name, { compress: !name.endsWith('.jpg') })
      await Promise.race([finished(one), gone])
    }
    zip.end()
  }
  pack().catch((error: Error) => out.destroy(error))
  return out
}
