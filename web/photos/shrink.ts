import { wrap } from 'comlink'
import type { Shrinking, Shrunk } from './shrink.worker'

let worker: Worker | undefined
let turn: Promise<unknown> = Promise.resolve()

/** Loads the worker before it is needed: the server may be away when a photograph is taken. */
export function readyToShrink(): Worker {
  worker ??= new Worker(new URL('./shrink.worker.ts', import.meta.url), { type: 'module' })
  return worker
}

/** A picture made small in a worker, one after the other; rejects with a sentence. */
export function shrink(file: File): Promise<Shrunk> {
  const made = turn.then(() => {
    const at = readyToShrink()
    return Promise.race([wrap<Shrinking>(at).shrink(file), untilItFails(at)])
  })
  turn = made.catch(() => undefined)
  return made
}

/** A worker whose code does not come answers nothing: the next picture gets another one. */
const untilItFails = (at: Worker): Promise<never> =>
  new Promise((_, reject) => {
    at.onerror = () => {
      worker = undefined
      reject(new Error('The picture could not be made small here. Try again, or in another browser.'))
    }
  })
