import type { ShrinkAnswer, Shrunk } from './shrink.worker'

let worker: Worker | undefined
let turn: Promise<unknown> = Promise.resolve()

/** Loads the worker before it is needed: the server may be away when a photograph is taken. */
export function readyToShrink(): Worker {
  worker ??= new Worker(new URL('./shrink.worker.ts', import.meta.url), { type: 'module' })
  return worker
}

/** A picture made small in a worker, one after the other; rejects with a sentence. */
export function shrink(file: File): Promise<Shrunk> {
  const made = turn.then(
    () =>
      new Promise<Shrunk>((resolve, reject) => {
        const at = readyToShrink()
        at.onmessage = ({ data }: MessageEvent<ShrinkAnswer>) =>
          'shrunk' in data ? resolve(data.shrunk) : reject(new Error(data.why))
        at.onerror = () => {
          worker = undefined
          reject(new Error('The picture could not be made small here. Try again, or in another browser.'))
        }
        at.postMessage(file)
      }),
  )
  turn = made.catch(() => undefined)
  return made
}
