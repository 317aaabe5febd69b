/** So long somebody's work holds the others up at most, ms. */
const TURN_MS = 12

/** Work in many steps on the thread that serves everybody: between two steps, once its turn is over, the others get theirs. */
export function inTurns(): () => Promise<void> {
  let begun = performance.now()
  return async () => {
    if (performance.now() - begun < TURN_MS) return
    await new Promise(setImmediate)
    begun = performance.now()
  }
}
