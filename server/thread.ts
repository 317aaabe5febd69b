import { Worker } from 'node:worker_threads'

/** Runs a bundled script on a thread of its own, so that other benches' appends do not wait for it: one piece of work, one thread. */
export const onThread =
  <In, Out>(script: string) =>
  (input: In): Promise<Out> =>
    new Promise((resolve, reject) => {
      const worker = new Worker(script, { workerData: input })
      worker.once('message', (answer: Out) => resolve(answer))
      worker.once('error', reject)
      worker.once('exit', (code) => code !== 0 && reject(new Error(`a thread ended with ${code}`)))
    })
