import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { ProblemError } from './http/problem.ts'
import type { Heavy } from './services.ts'

/** Work that waits for a thread; beyond it the caller is told to come again. */
const MOST_WAITING = 24
/** A server that has just begun to listen has windows to answer first; then a thread is made ready for the first paper. */
const READY_AFTER_MS = 8000

/**
 * Threads that stay, for what would hold up other benches: their code and faces are loaded once. Work beyond what is running waits in
 * a queue, and beyond that is turned away with 503.
 */
export function openThreads(script: string): { heavy: Heavy; close: () => Promise<void> } {
  let threads: Piscina | undefined
  const open = (): Piscina =>
    (threads ??= new Piscina({
      filename: script,
      minThreads: 1,
      maxThreads: Math.max(1, Math.min(2, availableParallelism() - 1)),
      maxQueue: MOST_WAITING,
      idleTimeout: Infinity,
    }))
  const ready = setTimeout(open, READY_AFTER_MS)
  const run = async <T>(name: string, given: unknown): Promise<T> => {
    const pool = open()
    if (pool.queueSize >= MOST_WAITING)
      throw new ProblemError(
        503,
        'Too much at once',
        'The server makes as many papers at once as it can. Ask again in a moment.',
      )
    return (await pool.run(given, { name })) as T
  }
  return {
    heavy: {
      renderSheet: async (pages, head) => Buffer.from(await run<Uint8Array>('returnSheet', { pages, head })),
      readCatalogue: (files) => run('catalogue', files),
      isPicture: (bytes) => run('picture', bytes),
    },
    close: async () => {
      clearTimeout(ready)
      await threads?.destroy()
    },
  }
}
