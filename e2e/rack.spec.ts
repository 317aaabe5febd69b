import type { JobsAnswer } from '@ekrond/contract/jobs'
import { expect, test } from './shop.ts'

test('a day of fifteen jobs on the rack, followed live in two windows', async ({
  bench: page,
  browser,
  shop,
}) => {
  await page.goto('/?all=1')
  const tag = (number: number | string) => page.getByRole('link', { name: new RegExp(`^${number}, `) })
  await expect(tag(1182)).toBeVisible()
  const all = (await (await page.request.get(`${shop.url}/api/jobs?status=all`)).json()) as JobsAnswer
  expect(all.jobs.filter(({ number }) => number >= 1181 && number <= 1195)).toHaveLength(15)
  // Trouble is a tag far left and high up, red, with its reason in words.
  await expect(tag(1192)).toHaveAccessibleName(/late: /)
  await expect(tag(1185)).toHaveAccessibleName(/waits for .*late: /)
  const inShop = page.locator('dl div', { hasText: 'in the shop' }).locator('dd')
  const open = Number(await inShop.innerText())

  // Other hands at another bench go through the day.
  const context = await browser.newContext({ baseURL: shop.url, viewport: { width: 1280, height: 800 } })
  await context.addInitScript(() => localStorage.setItem('ekrond person', 'R. Oda'))
  const other = await context.newPage()
  await other.goto('/jobs/1182/identify')
  await other.getByLabel('Mark on the plate').fill('K-44[17]7-?')
  await other.keyboard.press('Enter')
  await expect(tag(1182)).toHaveAccessibleName(/mark read, not identified yet/)

  await other.goto('/jobs/1183/asfound')
  await expect(other.getByRole('heading', { name: 'Idle-speed screw' })).toBeVisible()
  await other.keyboard.press('8')
  await other.keyboard.press('8')
  await other.getByRole('button', { name: /^Record/ }).click()
  await expect(tag(1183)).not.toHaveAccessibleName(/as found: 1 of 2 noted/)
  await other.goto('/jobs/1188/teardown')
  await expect(other.getByRole('button', { name: /^Removed, to tray/ })).toBeVisible()
  await other.getByRole('radio').first().check({ force: true })
  const before = await tag(1188).getAttribute('aria-label')
  await other.getByRole('button', { name: /^Removed, to tray/ }).click()
  await expect(tag(1188)).not.toHaveAccessibleName(before!)

  // Parts come in: the tag is no longer dashed and hangs at build.
  await other.goto('/jobs/1185/parts')
  await other
    .getByRole('button', { name: /^Arrived/ })
    .first()
    .click()
  await expect(tag(1185)).not.toHaveAccessibleName(/waits for/)
  await expect(page.getByLabel(/^Build: /)).toContainText('1185')

  // One goes back: its tag leaves the open rack and the count.
  await other.goto('/jobs/1186/return')
  await expect(other.getByRole('heading', { name: 'Ready to release.' })).toBeVisible()
  await other.getByRole('button', { name: /Release to customer/ }).click()
  await expect(inShop).toHaveText(String(open - 1))
  await expect(tag(1186)).toContainText('returned')

  // One comes in at the counter.
  await other.goto('/receive')
  await other.getByLabel('Customer', { exact: true }).fill('Alder pit')
  await other.getByLabel('Engine', { exact: true }).fill('hoist, 1.1 L')
  await other.getByLabel('Equipment').fill('pit hoist')
  await other.getByRole('group', { name: 'Promise for' }).getByRole('button').first().click()
  await other.getByRole('button', { name: 'hard start' }).click()
  await other.getByRole('button', { name: /Open job/ }).click()
  const came = page.getByRole('link', { name: /Alder pit, pit hoist/ })
  await expect(came).toBeVisible()
  await expect(inShop).toHaveText(String(open))
  await context.close()

  // Arrows go from tag to tag, Enter opens where it was left.
  await came.focus()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/jobs\/\d+\/(receive|identify)/)
})

test.describe('reading', () => {
  test.use({ reads: true })

  test('the rack shows only what one asks for: hands, customer, what waits', async ({ bench: page }) => {
    await page.goto('/')
    const tags = page.locator('a[data-tag]')
    await expect(tags.first()).toBeVisible()
    const all = await tags.count()
    await page.getByLabel('Technician').selectOption('R. Oda')
    await expect(tags).not.toHaveCount(all)
    for (const label of await tags.evaluateAll((list) =>
      list.map((el) => el.querySelector('i')!.textContent),
    ))
      expect(label).toBe('Oda')
    await page.getByLabel('Technician').selectOption('')
    await page.getByLabel('Customer').selectOption('Osk skating rink')
    await expect(page.getByRole('link', { name: /Osk chain ferry/ })).toHaveCount(0)
    await page.getByLabel('Customer').selectOption('Brake Hill hop kiln')
    await page.keyboard.press('Escape')
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    await page.keyboard.press('w')
    await expect(page.getByText('No jobs match these filters.')).toBeVisible()
    await expect(page).toHaveURL(/customer=Brake\+Hill\+hop\+kiln&waits=1/)
  })
})
