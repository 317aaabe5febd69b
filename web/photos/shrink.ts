import { wrap, type Remote } from 'comlink'
import type { Shrinking, Shrunk } from './shrink.worker'

// The proxy stays as long as its worker: one that is collected ends the worker's hearing.
let desk: { worker: Worker; shrinking: Remote<Shrinking> } | undefined
let turn: Promise<unknown> = Promise.resolve()

/** Loads the worker before it is needed: the server may be away when a photograph is taken. */
export function readyToShrink(): { worker: Worker; shrinking: Remote<Shrinking> } {
  if (desk) return desk
  const worker = new Worker(new URL('./shrink.worker.ts', import.meta.url), { type: 'module' })
  desk = { worker, shrinking: wrap<Shrinking>(worker) }
  return desk
}

/** A picture made small in a worker, one after the other; rejects with a sentence. */
export function shrink(file: File): Promise<Shrunk> {
  const made = turn.then(() => {
    const { worker, shrinking } = readyToShrink()
    return Promise.race([shrinking.shrink(file), untilItFails(worker)])
  })
  turn = made.catch(() => undefined)
  return made
}

/** A worker whose code does not come answers nothing: the next picture gets another one. */
const untilItFails = (worker: Worker): Promise<never> =>
  new Promise((_, reject) => {
    worker.onerror = () => {
      desk = undefined
      reject(new Error('The picture could not be resized here. Try again, or use another browser.'))
    }
  })
