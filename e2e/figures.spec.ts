import { expect, test } from './shop.ts'

test.use({ reads: true })

test('which jets without a job: another place, another fuel, the whole question in the address', async ({
  bench: page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Jets' }).click()
  // From the sea to 1,600 m, sizes that are in the drawer.
  await page.getByLabel('Main jets you can get, mm').fill('1.00 1.05 1.15')
  await page.getByLabel('Idle jets you can get, mm').fill('0.375 0.425')
  await expect(page.getByText('Main jet 1.05 instead of 1.10.')).toBeVisible()
  await expect(page.getByRole('cell', { name: '+7.9 %' })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Mixture over the opening\. As it is 7\.0 %/ })).toBeVisible()
  await page.reload()
  await expect(page.getByText('Main jet 1.05 instead of 1.10.')).toBeVisible()
  // A stamped number is no bore, and says so; nothing that was typed is lost.
  await page.getByLabel('Main jet, mm', { exact: true }).fill('110')
  await expect(page.getByRole('alert')).toContainText('measure its bore')
  await page.getByLabel('Main jet, mm', { exact: true }).fill('1.10')
  // Gasoline jets with an 85 % blend are dangerous at load; what else the fuel asks stands with it.
  await page.getByLabel('Ethanol now, %').fill('85')
  await expect(page.getByRole('alert')).toContainText('No load before the jets are changed.')
  await expect(page.getByText(/pump volume × 1\.43/)).toBeVisible()
})

test('a job’s own jets are asked from Set, and the way leads back', async ({ bench: page }) => {
  await page.goto('/jobs/1184/set')
  // Tapped again where the bench was still filling and the first tap met nothing.
  await expect(async () => {
    if (!page.url().includes('/figures/'))
      await page.getByRole('link', { name: 'Jets for this place' }).click({ timeout: 5000 })
    await expect(page.getByLabel('Main jet, mm', { exact: true })).toHaveValue('1.15', { timeout: 8000 })
  }).toPass({ timeout: 45_000 })
  await expect(page.getByRole('button', { name: 'Slide', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await page.getByLabel('Altitude now, m').fill('1600')
  await expect(page.getByText(/^Main jet .* instead of 1\.15/)).toBeVisible()
  await page.getByRole('link', { name: 'Back to job 1184' }).click()
  await expect(page).toHaveURL(/jobs\/1184\/set$/)
})
