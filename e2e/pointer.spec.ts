import { expect, test } from './shop.ts'
import { entriesOf } from './taken.ts'

test('by a mouse alone: taken in from the list, its mark put together, tested, counted and set', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/receive')
  await page.getByRole('button', { name: /^Known customers/ }).click()
  await page.getByRole('option', { name: /Osk skating rink/ }).click()
  await page.getByRole('group', { name: 'Promise for' }).getByRole('button').first().click()
  await page.getByRole('button', { name: 'smoke' }).click()
  await page.getByRole('button', { name: /Open job/ }).click()
  await expect(page).toHaveURL(/jobs\/\d+\/identify$/)
  const number = Number(/jobs\/(\d+)/.exec(page.url())![1])

  await page.getByRole('button', { name: 'Tap characters' }).first().click()
  const marks = page.getByRole('group', { name: 'Characters of the mark' })
  for (const character of 'U712B') await marks.getByRole('button', { name: character, exact: true }).click()
  await page.getByRole('button', { name: /^Log mark/ }).click()
  await page.getByRole('listbox', { name: 'Ranking' }).getByRole('option', { name: /U712B/ }).click()
  await page.getByRole('button', { name: /^Use this number/ }).click()
  await expect(page).toHaveURL(/asfound$/)

  // It has neither slide nor pump: two tests are asked, and what is bad is said where they stand.
  await page.getByRole('button', { name: '2 tests, before anything moves' }).click()
  await page.getByRole('button', { name: 'move and snap shut' }).click()
  await page.getByRole('button', { name: 'leaks down' }).click()
  await expect(page.getByRole('button', { name: 'Inlet: leaks down' })).toBeVisible()
  await expect(page.getByText(/tests 2 of 2/)).toBeVisible()
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: /^\+ .*2$/ }).click()
  await page.getByRole('button', { name: /^Seated/ }).click()

  await page.getByRole('button', { name: 'skip the rest' }).click()
  await page.getByRole('link', { name: /^Set,/ }).click()
  while (!(await page.getByText(/Float height$/).isVisible()))
    await page.getByRole('button', { name: 'next setting' }).click()
  const pad = page.getByRole('group', { name: 'Number pad' })
  for (const key of ['1', '2', 'point', '1'])
    await pad.getByRole('button', { name: key, exact: true }).click()
  await expect(page.getByLabel('Float height, reading')).toHaveValue('12.1')
  await expect
    .poll(async () => (await entriesOf(shop.url, number)).map(({ kind }) => kind))
    .toEqual(['job.opened', 'mark.read', 'ident.chosen', 'test.noted', 'test.noted', 'asfound.noted'])
})
