import type { ReturnSheet } from '@ekrond/core/sheet'
import { Worker } from 'node:worker_threads'
import type { SheetRenderer } from './return-sheet.ts'

/** Lays sheets out on a thread, so that the appends of other benches do not wait for a page. One sheet, one thread. */
export const onThread =
  (script: string): SheetRenderer =>
  (pages: ReturnSheet[], head) =>
    new Promise((resolve, reject) => {
      const worker = new Worker(script, { workerData: { pages, head } })
      worker.once('message', (bytes: Uint8Array) => resolve(Buffer.from(bytes)))
      worker.once('error', reject)
      worker.once('exit', (code) => code !== 0 && reject(new Error(`the sheet's thread ended with ${code}`)))
    })
