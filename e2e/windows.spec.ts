import type { BrowserContext, Page } from '@playwright/test'
import { seeded } from '../demo/list-numbers.ts'
import { expect, test } from './shop.ts'

/** `npm run torture` asks for ten windows and many rounds; the tests for a few. */
const WINDOWS = Number(process.env.EKROND_WINDOWS ?? 3)
const ROUNDS = Number(process.env.EKROND_ROUNDS ?? 4)
/** Windows, the first ones, whose store fails in about half of all writes. */
const FAILING = Math.min(2, WINDOWS - 1)

interface Window {
  context: BrowserContext
  page: Page
}

test('windows that go off and on at random, some with a store that fails, lose and double nothing', async ({
  browser,
  shop,
}) => {
  test.setTimeout(180_000 + WINDOWS * ROUNDS * 24_000)
  const random = seeded(1184)
  const open = async (at: number): Promise<Window> => {
    const context = await browser.newContext({ baseURL: shop.url, serviceWorkers: 'block' })
    await context.addInitScript(
      ({ person, failing }) => {
        localStorage.setItem('ekrond person', person)
        if (!failing) return
        let calls = 0
        for (const name of ['put', 'add'] as const) {
          const whole = IDBObjectStore.prototype[name]
          IDBObjectStore.prototype[name] = function (this: IDBObjectStore, ...given) {
            if (calls++ % 2) throw new DOMException('full', 'QuotaExceededError')
            return whole.apply(this, given)
          }
        }
      },
      { person: ['I. Marrow', 'J. Sedge', 'K. Alder'][at % 3]!, failing: at < FAILING },
    )
    const page = await context.newPage()
    await page.goto('/jobs/1181/set')
    await expect(page.getByRole('textbox').first()).toBeVisible()
    return { context, page }
  }
  const taken = async () => {
    const { entries } = (await (await fetch(`${shop.url}/api/jobs/1181`)).json()) as {
      entries: { seq: number; kind: string; data: { raw: string } }[]
    }
    return entries.filter(({ kind, seq }) => kind === 'reading.taken' && seq > before)
  }
  const before = ((await (await fetch(`${shop.url}/api/jobs/1181`)).json()) as { entries: unknown[] }).entries
    .length
  const entered: string[] = []
  const windows: Window[] = []
  for (let at = 0; at < WINDOWS; at++) windows.push(await open(at))

  for (let round = 0; round < ROUNDS; round++)
    await Promise.all(
      windows.map(async (window, at) => {
        await window.context.setOffline(random.next() < 0.5)
        // Each figure once in the whole test, so that each can be found again.
        const raw = (10 + at + round / 100).toFixed(2)
        await window.page.keyboard.type(raw)
        await expect(window.page.getByRole('textbox').first()).toHaveValue(raw)
        await window.page.keyboard.press('Enter')
        await expect(window.page.getByRole('textbox').first()).toHaveValue('')
        entered.push(raw)
      }),
    )
  for (const { context } of windows) await context.setOffline(false)
  await expect.poll(async () => (await taken()).length, { timeout: 180_000 }).toBe(entered.length)
  // Once more after a while: nothing comes twice.
  await windows[0]!.page.waitForTimeout(1500)
  expect((await taken()).map(({ data }) => data.raw).sort()).toEqual([...entered].sort())
  for (const { context } of windows) await context.close()
})
