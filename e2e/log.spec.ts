import type { JobAnswer } from '@ekrond/contract/jobs'
import { expect, test } from './shop.ts'

const readLog = async (url: string, number: number) =>
  (await (await fetch(`${url}/api/jobs/${number}`)).json()) as JobAnswer

test('a second window follows, an undo too', async ({ bench: page, shop }) => {
  await page.goto('/jobs/1181/set')
  const second = await page.context().newPage()
  await second.goto('/jobs/1181/set')
  await expect(second.getByLabel('Float height, reading')).toBeVisible()
  await page.getByLabel('Float height, reading').fill('12.9')
  await page.keyboard.press('Enter')
  await expect(second.getByRole('img', { name: /Tries: 11.8, 14.6, 12.9/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('u')
  await expect(second.getByRole('img', { name: /Tries: 11.8, 14.6\./ })).toBeVisible()
  // What both windows show may still be on its way.
  await expect
    .poll(async () => (await readLog(shop.url, 1181)).entries.slice(-2).map((entry) => entry.kind))
    .toEqual(['reading.taken', 'entry.struck'])
})

test('a server stopped until ten entries wait loses nothing and keeps their order', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1181/set')
  const field = page.getByLabel('Float height, reading')
  await expect(field).toBeVisible()
  const before = (await readLog(shop.url, 1181)).entries.length
  await shop.stop()
  const readings = Array.from({ length: 10 }, (_, i) => (12 + i / 10).toFixed(1))
  for (const [i, reading] of readings.entries()) {
    await field.fill(reading)
    await page.keyboard.press('Enter')
    await expect(field).toHaveValue('')
    await expect(page.getByRole('img', { name: new RegExp(`Tries: .*${readings[i]}`) })).toBeVisible()
  }
  await expect(page.getByText('10 waiting to send')).toBeVisible()
  // What is being typed survives a reload as well, and so do the waiting entries.
  await field.fill('13.33')
  await shop.start()
  await expect.poll(async () => (await readLog(shop.url, 1181)).entries.length).toBe(before + 10)
  const { entries } = await readLog(shop.url, 1181)
  expect(entries.slice(-10).map((entry) => (entry.data as { raw: string }).raw)).toEqual(readings)
  await page.reload()
  await expect(field).toHaveValue('13.33')
  await field.fill('')
})

test('an entry that the server refuses stays visible with its reason and can be put right', async ({
  bench: page,
  shop,
}) => {
  // Whatever is next on this job: the shop is shared by all tests of the run.
  const heading = page.locator('main h2')
  const takeOff = async () => {
    const title = await heading.innerText()
    await page.getByRole('radio').first().check({ force: true })
    await page.getByRole('button', { name: /^Removed, to tray/ }).click()
    await expect(heading).not.toHaveText(title)
  }
  await page.goto('/jobs/1184/teardown')
  await expect(page.getByRole('button', { name: /^Removed, to tray/ })).toBeVisible()
  await shop.stop()
  await takeOff()
  await shop.start()
  await expect(page.getByText('Offline')).toBeHidden()
  await expect(page.getByText(/not sent/)).toBeHidden()
  const other = await page.request.get(`${shop.url}/api/jobs/1184`)
  const { job } = (await other.json()) as JobAnswer
  // Somebody else took the next one off while this window still shows it.
  await page.route('**/api/jobs/**/entries', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ json: refuse(route.request().postDataJSON() as { entries: { id: string }[] }) })
      : route.continue(),
  )
  await page.getByRole('radio').first().check({ force: true })
  await page.getByRole('button', { name: /^Removed, to tray/ }).click()
  await expect(page.getByText(/2 refused/)).toBeVisible()
  await page.getByRole('button', { name: 'See why' }).click()
  await expect(page.getByText('Hinge pin is off already').first()).toBeVisible()
  await page.getByRole('button', { name: 'Discard' }).first().click()
  await expect(page.getByRole('button', { name: 'Discard' })).toHaveCount(1)
  await page.getByRole('button', { name: 'Fix it' }).first().click()
  await expect(page.getByText(/not taken/)).toBeHidden()
  expect(job).toMatch(/^[0-9a-f-]{36}$/)
})

function refuse({ entries }: { entries: { id: string }[] }) {
  return {
    answers: entries.map(({ id }) => ({
      id,
      outcome: 'refused',
      code: 'off twice',
      sentence: 'Hinge pin is off already: O. Dell took it off into tray B.',
    })),
    seq: 1,
    number: 1184,
    letter: 'D',
  }
}

test.describe('reading', () => {
  test.use({ reads: true })
  test('the first load carries less than 250 kB of JavaScript, and stations load their own', async ({
    bench: page,
  }) => {
    const bytes: { url: string; size: number }[] = []
    page.on('response', (response) => {
      if (response.url().endsWith('.js'))
        void response
          .request()
          .sizes()
          .then((sizes) => bytes.push({ url: response.url(), size: sizes.responseBodySize }))
    })
    await page.goto('/')
    await expect(page.getByRole('link', { name: /Osk chain ferry/ })).toBeVisible()
    await page.waitForLoadState('networkidle').catch(() => undefined)
    const total = bytes.reduce((sum, { size }) => sum + size, 0)
    expect(total).toBeGreaterThan(50_000)
    expect(total).toBeLessThan(250_000)
    expect(bytes.some(({ url }) => url.includes('SetStation'))).toBe(false)
  })
})
