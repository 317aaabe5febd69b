/** A clock that is further off than this is not believed. */
const BELIEVED_MS = 2 * 60_000
/** How often it is looked at whether this computer's clock jumped. */
const LOOK_EVERY_MS = 5000

let offsetMs = 0
/** This computer's clock and the time that really went by, when the shop last said its own. */
let told = { clock: Date.now(), ran: performance.now() }

/** Compares this computer's clock with the shop's, by an answer that says the server's now. */
export function noteServerTime(serverNow: string, asked: number, answered: number): void {
  const middle = (asked + answered) / 2
  offsetMs = Date.parse(serverNow) - middle
  told = { clock: Date.now(), ran: performance.now() }
}

/** How far the clock went beyond the time that really went by since the shop said its own: a jump, or the sleep of a lid that was shut. */
const jumpMs = (): number => Date.now() - told.clock - (performance.now() - told.ran)

/** How far off the clock is now. Set back it is reckoned on at once; ahead it may only have slept, and the shop is asked. */
const offNow = (): number => {
  const jump = jumpMs()
  return jump < -BELIEVED_MS ? offsetMs - jump : offsetMs
}

/** How far this computer's clock is off, in whole minutes; 0 where it is believed. */
export const clockOffMinutes = (): number =>
  Math.abs(offNow()) > BELIEVED_MS ? Math.round(-offNow() / 60_000) : 0

/** The instant that an entry is stamped with: this computer's clock, or the shop's where the two are minutes apart. */
export function stampNow(): string {
  const off = offNow()
  return new Date(Date.now() + (Math.abs(off) > BELIEVED_MS ? off : 0)).toISOString()
}

/** Asks the shop for its time as soon as this computer's clock jumped while the page was open. */
export function watchClock(ask: () => void): () => void {
  const timer = setInterval(() => {
    if (Math.abs(jumpMs()) > BELIEVED_MS) ask()
  }, LOOK_EVERY_MS)
  return () => clearInterval(timer)
}
