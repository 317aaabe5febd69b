import type { Page } from '@playwright/test'
import { accessible, expect, test } from './shop.ts'

const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) }).click()

/** Steps through a station's parts, down and then up, until one is asked about. */
async function stepTo(page: Page, part: string) {
  const title = page.locator('main h2')
  for (const name of ['next part', 'previous part'])
    for (let i = 0; i < 20; i++) {
      const now = await title.innerText()
      if (now === part) return
      await page.getByRole('button', { name, exact: true }).click()
      // At the last one it stays: then the other way.
      const moved = await expect(title)
        .not.toHaveText(now, { timeout: 3_000 })
        .then(
          () => true,
          () => false,
        )
      if (!moved) break
    }
  await expect(title).toHaveText(part)
}

test('a listed unit is amended where it lies: a part by its shape and place, a missing one, a setting, a check; then whose each is', async ({
  bench: page,
}) => {
  // A retainer spring that no book lists, tapped where it sat.
  await page.goto('/jobs/1184/teardown')
  const title = page.locator('main h2')
  await press(page, 'Not in the book')
  await page.getByRole('img', { name: /in section/ }).click({ position: { x: 300, y: 200 } })
  await press(page, 'more shapes')
  await press(page, 'spring')
  await press(page, 'small end up')
  await page.getByLabel('Name it').fill('Retainer spring')
  await expect(page.getByText(/^Tray [A-Z]\. Its verdict is asked/)).toBeVisible()
  await expect(page.getByText(/^Back on after the/)).toBeVisible()
  await accessible(page, 'a part that is not in the book')
  await press(page, /^Add to this unit/)
  await expect(page.getByRole('group', { name: 'Kind' })).toBeHidden()
  // It comes off like any, is asked about like any, and the tray has it.
  await stepTo(page, 'Retainer spring')
  await expect(title).toHaveText('Retainer spring')
  await page.getByRole('radio', { name: 'Sound' }).press('Space')
  await press(page, /^Removed, to tray/)
  await expect(page.getByRole('listitem', { name: 'Retainer spring' })).toBeVisible()

  // It goes back on the way it lay, and no other.
  await page.goto('/jobs/1184/build')
  await stepTo(page, 'Retainer spring')
  await expect(title).toHaveText('Retainer spring')
  const on = page.getByRole('button', { name: /^On/ })
  await on.click()
  await expect(page.getByRole('alert')).toContainText('Which way round does it lie?')
  await press(page, 'small end down')
  await on.click()
  await expect(page.getByRole('alert')).toContainText('small end up, by its sheet. Turn it round.')
  await press(page, 'small end up')
  await on.click()
  await expect(title).not.toHaveText('Retainer spring')

  // A plate: the light round it says how far it lies off its centre, and where to push it.
  await page.goto('/jobs/1184/teardown')
  await press(page, 'Not in the book')
  await press(page, 'more shapes')
  await press(page, 'plate')
  await page.getByLabel('Name it').fill('Choke plate')
  await press(page, /^Add to this unit/)
  await expect(page.getByRole('group', { name: 'Kind' })).toBeHidden()
  await stepTo(page, 'Choke plate')
  await page.getByLabel('Light round its edge, held shut').fill('4 0.11 0.02')
  await expect(
    page.getByRole('img', { name: /0\.11 mm at 4 o’clock, 0\.02 opposite: push it/ }),
  ).toBeVisible()
  await expect(page.getByText(/push the plate toward 4 o’clock/)).toBeVisible()

  // What no unit runs without is lost, never absent; another part may be.
  await page.goto('/jobs/1184/teardown?part=float')
  await expect(title).toHaveText(/^Float/)
  await press(page, 'Missing or different')
  await expect(page.getByText(/No unit runs without its/)).toBeVisible()
  await press(page, 'Back to the part')
  await page.goto('/jobs/1184/teardown?part=bowl.seal')
  await press(page, 'Missing or different')
  await page.getByLabel('Who looked too').selectOption('O. Dell')
  await press(page, /^Not on this unit/)
  await page.goto('/jobs/1184/return')
  await expect(page.getByText('Bowl seal: listed, and not there')).toBeVisible()

  // A setting of its kind: only its value is told, and a reading is judged by what moves it.
  await page.goto('/jobs/1181/set')
  await press(page, 'Another setting')
  await press(page, 'Fast idle, gap')
  await page.getByLabel('What it should be').fill('wide')
  await page.getByLabel('What it should be').press('Enter')
  await expect(page.getByRole('alert')).toContainText('no length')
  await page.getByLabel('What it should be').fill('0.90 ±0.10')
  await page.getByLabel('What it should be').press('Enter')
  const reading = page.getByLabel('Fast idle, gap, reading')
  for (let guard = 0; !(await reading.isVisible()) && guard < 12; guard++) {
    const now = await title.innerText()
    await page.getByRole('button', { name: 'next setting' }).click()
    await expect(title).not.toHaveText(now)
  }
  await reading.fill('0.60')
  await expect(page.getByText('Turn the fast-idle screw in.')).toBeVisible()
  await reading.fill('1.30')
  await expect(page.getByText('Turn the fast-idle screw out.')).toBeVisible()

  // A check by eye.
  await page.goto('/jobs/1181/prove')
  await press(page, 'Another check')
  await page.getByLabel('What is checked').fill('Choke poppet')
  await page.getByLabel('What it has to do').fill('snaps shut by itself')
  await page.getByLabel('What it has to do').press('Enter')
  await expect(page.getByRole('button', { name: /^Choke poppet: target snaps shut/ })).toBeVisible()

  // Whose each is: the next one of its number has what the book lacked.
  await page.goto('/jobs/1181/return')
  const whose = page.getByRole('region', { name: 'This unit and the book' })
  await whose
    .getByRole('group', { name: /choke poppet/ })
    .getByRole('button', { name: 'Only this unit' })
    .click()
  await expect(whose.getByText(/^this unit’s alone: seen on 1 of/)).toBeVisible()
  const sent = page.waitForResponse((answer) => answer.url().endsWith('/entries'))
  await whose
    .getByRole('group', { name: /fast idle/ })
    .getByRole('button', { name: 'Correct the book' })
    .click()
  await expect(whose.getByText(/^in the book since: seen on 1 of/)).toBeVisible()
  await sent
  await page.goto('/library/K-4417-2S')
  await expect(page.getByText('Fast idle, gap')).toBeVisible()
  await expect(page.getByText('Choke poppet')).toHaveCount(0)
})
