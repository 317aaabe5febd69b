/**
 * Lets those who ask for the same at the same time share one reading. Who asks while it runs gets the next one, which begins when
 * it has ended: an answer is never older than its question, so that whoever hears of an entry and asks sees it.
 */
export function sharedReads<T>(read: (key: string) => Promise<T>): (key: string) => Promise<T> {
  const running = new Map<string, Promise<T>>()
  const following = new Map<string, Promise<T>>()
  const start = (key: string): Promise<T> => {
    const reading = read(key).finally(() => running.delete(key))
    running.set(key, reading)
    return reading
  }
  return (key) => {
    const now = running.get(key)
    if (!now) return start(key)
    const next =
      following.get(key) ??
      now
        .catch(() => undefined)
        .then(() => {
          following.delete(key)
          return start(key)
        })
    following.set(key, next)
    return next
  }
}
