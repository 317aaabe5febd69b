import { chromium } from '@playwright/test'
import { expect, test } from './shop.ts'
import { entriesOf } from './taken.ts'

test('a browser that keeps nothing loses nothing while its window is open, and says so', async ({
  browser,
  shop,
}) => {
  const context = await browser.newContext({ baseURL: shop.url, serviceWorkers: 'block' })
  await context.addInitScript(() => {
    const denied = () => {
      throw new DOMException('denied', 'SecurityError')
    }
    Object.defineProperty(window, 'indexedDB', { get: () => ({ open: denied }) })
    Object.defineProperty(window, 'localStorage', { get: denied })
    Object.defineProperty(window, 'BroadcastChannel', { value: undefined })
    Object.defineProperty(Navigator.prototype, 'locks', { get: () => undefined })
    // @ts-expect-error -- taken away for the test
    delete Navigator.prototype.locks
  })
  const page = await context.newPage()
  await page.goto('/jobs/1183/asfound')
  await page.getByRole('button', { name: 'I. Marrow' }).click()
  await expect(page.getByText('Storage off')).toBeVisible()
  await page.getByRole('button', { name: /^\+ .*1$/ }).click()
  await page.getByRole('button', { name: /^\+ .*2$/ }).click()
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect
    .poll(async () => (await entriesOf(shop.url, 1183)).filter(({ kind }) => kind === 'asfound.noted').length)
    .toBe(2)
  await context.close()
})

test('the server is away at reload: our own page, the job as it was last seen, and what is entered goes out later', async ({
  browser,
  shop,
}) => {
  const context = await browser.newContext({ baseURL: shop.url })
  await context.addInitScript(() => localStorage.setItem('ekrond person', 'I. Marrow'))
  const page = await context.newPage()
  await page.goto('/')
  await expect(page.getByRole('link', { name: /1183, / })).toBeVisible()
  await page.goto('/jobs/1183/asfound')
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  // Once more under the worker, so that it has seen the page, its code and the job.
  await page.reload()
  await expect(page.getByRole('heading', { level: 2 })).toBeVisible()
  const kept = (cache: string, names: string[]) =>
    page.evaluate(
      async ([of, all]) => {
        const store = await caches.open(of)
        const found = await Promise.all(all.map((name) => store.match(name)))
        return all.filter((_, i) => !found[i])
      },
      [cache, names] as const,
    )
  await expect.poll(() => kept('ekrond-seen-1', ['/api/jobs/1183', '/api/shop'])).toEqual([])
  // Every station's code is there after the first visit, whether it was opened or not.
  const parts = (await (await page.request.get(`${shop.url}/parts.json`)).json()) as string[]
  expect(parts.length).toBeGreaterThan(50)
  await expect.poll(() => kept('ekrond-shell-2', parts)).toEqual([])
  await shop.stop()
  await page.reload()
  await expect(page.getByRole('heading', { level: 2 })).toBeVisible()
  await page.getByRole('button', { name: /^\+ .*1$/ }).click()
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(page.getByText('Offline').first()).toBeVisible()
  // A station that this window never opened.
  await page.getByRole('link', { name: /^Prove/ }).click()
  await expect(page.getByRole('region', { name: 'Current step' })).toBeVisible()
  // One that this window has never seen: a sentence and 'try again', no waiting for ever.
  const other = await context.newPage()
  await other.goto('/jobs/1190')
  await expect(other.getByRole('button', { name: 'Try again' })).toBeVisible()
  // The rack is what it was when it was last seen, and says so.
  const rack = await context.newPage()
  await rack.goto('/')
  await expect(rack.getByText(/^Offline\. The rack as of/)).toBeVisible()
  await expect(rack.getByRole('link', { name: /1183, / })).toBeVisible()
  await rack.close()
  await shop.start()
  await expect(other.getByRole('navigation', { name: 'Stations' })).toBeVisible()
  await expect
    .poll(async () => (await entriesOf(shop.url, 1183)).filter(({ kind }) => kind === 'asfound.noted').length)
    .toBe(2)
  await context.close()
})

test('an entry that the server fails at again and again steps aside; what does not hang on it goes on', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1183/asfound')
  let failing = 0
  await page.route('**/api/jobs/**/entries', async (route) => {
    const { entries } = route.request().postDataJSON() as { entries: { data: { value?: number } }[] }
    if (entries.some(({ data }) => data.value === 3)) {
      failing++
      await route.fulfill({
        status: 500,
        contentType: 'application/problem+json',
        body: '{"detail":"broken"}',
      })
    } else await route.continue()
  })
  const tap = page.getByRole('button', { name: /^\+ .*1$/ })
  for (let i = 0; i < 3; i++) await tap.click()
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(page.getByText('1 refused')).toBeVisible()
  expect(failing).toBeGreaterThanOrEqual(3)
  await page.getByRole('button', { name: /tests, before anything moves/ }).click()
  await page.getByRole('button', { name: /holds pressure|snap shut/ }).click()
  await expect
    .poll(async () => (await entriesOf(shop.url, 1183)).some(({ kind }) => kind === 'test.noted'))
    .toBe(true)
  await page.getByRole('button', { name: 'See why' }).click()
  await expect(page.getByText('cannot save this entry')).toBeVisible()
})

test.describe('reading', () => {
  test.use({ reads: true })

  test('a page of a foreign name that leads here reads nothing', async ({ shop }) => {
    const foreign = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--host-resolver-rules=MAP evil.test 127.0.0.1'],
    })
    const page = await foreign.newPage()
    const answer = await page.goto(`http://evil.test:${shop.port}/api/jobs`)
    expect(answer!.status()).toBe(403)
    expect(await answer!.text()).not.toContain('ferry')
    await foreign.close()
  })
})

test('a double tap opens one job; Enter does not do what its button forbids', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/receive')
  const numbers = async () =>
    ((await (await page.request.get(`${shop.url}/api/jobs?limit=500`)).json()) as { total: number }).total
  const before = await numbers()
  await page.getByLabel('Customer', { exact: true }).fill('Lock keeper')
  await page.getByLabel('Engine', { exact: true }).fill('winch, 0.9 L')
  await page.getByLabel('Equipment').fill('lock winch')
  await page.getByRole('button', { name: 'smoke' }).click()
  await page.getByRole('group', { name: 'Promise for' }).getByRole('button').first().click()
  await page.getByRole('button', { name: /Open job/ }).dblclick()
  await expect(page).toHaveURL(/jobs\/\d+\/identify$/)
  expect(await numbers()).toBe(before + 1)
  // Nothing is read: Enter identifies nothing.
  await expect(page.getByRole('button', { name: /^Choose one/ })).toBeDisabled()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: /^Set,/ }).click()
  await expect(page.getByText('Identify it first.')).toBeVisible()
  expect(
    (await entriesOf(shop.url, Number(/jobs\/(\d+)/.exec(page.url())![1]))).map(({ kind }) => kind),
  ).toEqual(['job.opened'])
})

test('a page that is left in the instant of the tap takes nothing along', async ({ bench: page, shop }) => {
  const noted = async () =>
    (await entriesOf(shop.url, 1183)).filter(({ kind }) => kind === 'asfound.noted').length
  await page.goto('/jobs/1183/asfound')
  const before = await noted()
  for (let round = 0; round < 3; round++) {
    await page.getByRole('button', { name: /^\+ .*1$/ }).click()
    await expect(page.getByRole('button', { name: /^(Record|Seated)/ })).toBeEnabled()
    const loaded = page.waitForEvent('load')
    // The tap and the reload in one breath: what the browser's store and the wire would do a moment later is not done.
    await page.evaluate(() => {
      window.fetch = () => new Promise(() => undefined)
      const transaction = Reflect.get(IDBDatabase.prototype, 'transaction') as (
        ...args: unknown[]
      ) => IDBTransaction
      IDBDatabase.prototype.transaction = function (...args) {
        const begun = transaction.apply(this, args)
        if (args[0] === 'queue' && args[1] === 'readwrite') begun.abort()
        return begun
      }
      const note = [...document.querySelectorAll('button')].find(({ innerText }) =>
        /^(Record|Seated)/.test(innerText),
      )
      note!.click()
      location.reload()
    })
    await loaded
    await expect.poll(noted).toBe(before + round + 1)
  }
})
