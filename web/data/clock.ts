/** A clock that is further off than this is not believed. */
const BELIEVED_MS = 2 * 60_000

let offsetMs = 0

/** Compares this computer's clock with the shop's, by an answer that says the server's now. */
export function noteServerTime(serverNow: string, asked: number, answered: number): void {
  const middle = (asked + answered) / 2
  offsetMs = Date.parse(serverNow) - middle
}

/** How far this computer's clock is off, in whole minutes; 0 where it is believed. */
export const clockOffMinutes = (): number =>
  Math.abs(offsetMs) > BELIEVED_MS ? Math.round(-offsetMs / 60_000) : 0

/** The instant that an entry is stamped with: this computer's clock, or the shop's where the two are minutes apart. */
export const stampNow = (): string =>
  new Date(Date.now() + (Math.abs(offsetMs) > BELIEVED_MS ? offsetMs : 0)).toISOString()
