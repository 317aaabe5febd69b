import type { Page } from '@playwright/test'

/** What a hand does at the screen: taps and keys, as the page gets them. */
export interface Effort {
  taps: number
  keys: number
}

/** Seconds of a tap with a glove, of a key, and of reading what is asked next before either (keystroke-level model: K, P, M). */
const TAP_S = 1.1
const KEY_S = 0.28
const READ_S = 1.35

/** Counts taps and keys of a page from now on. */
export async function counting(page: Page): Promise<Effort> {
  const effort: Effort = { taps: 0, keys: 0 }
  await page.exposeFunction('countedHere', (what: keyof Effort) => {
    effort[what]++
  })
  const listen = () => {
    const counted = (globalThis as unknown as { countedHere: (what: string) => void }).countedHere
    addEventListener('pointerdown', (event) => event.isTrusted && counted('taps'), true)
    addEventListener('keydown', (event) => event.isTrusted && counted('keys'), true)
  }
  await page.addInitScript(listen)
  await page.evaluate(listen)
  return effort
}

/** How long that takes by hand, s: each tap, and each Enter's worth of keys, with a look at what is asked. */
export const secondsOf = ({ taps, keys }: Effort, asks: number): number =>
  taps * TAP_S + keys * KEY_S + asks * READ_S
