import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from './shop.ts'

const CATALOGUE = join(import.meta.dirname, '../demo/catalogue')

test.describe('reading', () => {
  test.use({ reads: true })
  test('a list number is found by any fragment, its page has all its sheets', async ({
    bench: page,
    shop,
  }) => {
    await page.goto('/library')
    await expect(page.getByRole('link', { name: 'K-4417-2S' })).toBeVisible()
    await page.getByLabel('Find a list number').fill('17-2s')
    await expect(page.getByRole('link', { name: 'K-4417-2S' })).toBeVisible()
    await expect(page.getByRole('link', { name: 'B34-17H' })).toBeHidden()
    const { total } = (await (await page.request.get(`${shop.url}/api/list-numbers?q=&limit=5`)).json()) as {
      total: number
    }
    expect(total).toBe(150)
    await page.getByRole('link', { name: 'K-4417-2S' }).click()
    for (const heading of ['Spec sheet', 'Kits that fit'])
      await expect(page.getByRole('heading', { name: heading })).toBeVisible()
  })
})

test('a catalogue by upload: its faults by file, row and column, then a preview, then all of it', async ({
  bench: page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'ekrond-catalogue-'))
  cpSync(CATALOGUE, folder, { recursive: true })
  const prices = join(folder, 'prices.csv')
  const right = readFileSync(prices, 'utf8')
  writeFileSync(prices, right.replace('price_minor', 'price'))
  await page.goto('/library/import')
  // A check that takes its time can be left: what it still brings is not shown, and nothing was imported.
  let goOn = () => {}
  const waits = new Promise<void>((resolve) => (goOn = resolve))
  await page.route('**/api/import', async (route) => {
    await waits
    await route.continue()
  })
  await page.getByLabel('The folder').setInputFiles(folder)
  await expect(page.getByRole('status')).toHaveText('Checking against the library …')
  await expect(page.getByRole('progressbar')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('progressbar')).toBeHidden()
  const answered = page.waitForResponse('**/api/import')
  goOn()
  await answered
  await expect(page.getByLabel('The folder')).toBeEnabled()
  await expect(page.getByRole('heading', { name: /nothing was imported/ })).toBeHidden()
  await page.unroute('**/api/import')
  await page.reload()
  await page.getByLabel('The folder').setInputFiles(folder)
  await expect(page.getByRole('heading', { name: /error.*nothing was imported/ })).toBeVisible()
  await expect(page.getByRole('cell', { name: /prices\.csv/ }).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Import' })).toBeHidden()
  // Put right, with one price that has risen.
  const [head, first, ...rest] = right.split('\n')
  const cells = first!.split(',')
  cells[2] = String(Number(cells[2]) + 100)
  writeFileSync(prices, [head, cells.join(','), ...rest].join('\n'))
  await page.reload()
  await page.getByLabel('The folder').setInputFiles(folder)
  await page.getByRole('button', { name: 'Import' }).click()
  await expect(page.getByRole('heading', { name: 'Import finished.' })).toBeVisible()
})

test.describe('reading', () => {
  test.use({ reads: true })

  test('the whole shop goes out as one folder', async ({ bench: page }) => {
    await page.goto('/library')
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Export all' }).click(),
    ])
    const file = join(mkdtempSync(join(tmpdir(), 'ekrond-whole-')), 'shop.zip')
    await download.saveAs(file)
    // A zip has its files' names as they are.
    const bytes = readFileSync(file)
    for (const name of ['shop.json', 'jobs/1181.json', 'list-numbers.json', 'customers.csv'])
      expect(bytes.includes(name), name).toBe(true)
  })
})

test('a number is copied, takes an older one’s place, and one taught twice is merged and parted', async ({
  bench: page,
}) => {
  await page.goto('/library/K-4417-2S')
  await page.getByRole('button', { name: 'Copy to new' }).click()
  await page.getByLabel('Number', { exact: true }).fill('K-4499-1')
  await page.getByRole('button', { name: 'Create' }).click()
  await expect(page.getByRole('alert')).toContainText('Give the reason')
  await page.getByLabel('Why', { exact: true }).fill('its plate says so')
  await page.getByRole('button', { name: 'Create' }).click()
  await expect(page.getByRole('heading', { name: 'K-4499-1' })).toBeVisible()
  await expect(page.getByText('as the K-4417-2S').first()).toBeVisible()

  await page.getByRole('button', { name: 'Supersedes …' }).click()
  await page.getByLabel('The older number').fill('K-3102')
  await page.getByLabel('Why', { exact: true }).fill('leaf 7')
  await page.getByRole('button', { name: 'Save as superseding' }).click()
  await expect(page.getByText('Supersedes K-3102').first()).toBeVisible()
  // Identify finds it by its older number.
  await page.goto('/jobs/1182/identify')
  await page.getByLabel('Mark on the plate').fill('K-3102')
  await expect(page.getByRole('option', { name: /K-4499-1/ })).toContainText('has K-3102')

  await page.goto('/library/K-4499-1')
  await page.getByRole('button', { name: 'Merge with …' }).click()
  await page.getByLabel('Number to keep').fill('K-4417-2S')
  await page.getByLabel('Why', { exact: true }).fill('both on the bench')
  await page.getByRole('button', { name: 'Merge' }).click()
  await expect(page.getByRole('heading', { name: 'K-4417-2S' })).toBeVisible()
  await page.getByRole('link', { name: 'K-4499-1' }).click()
  await page.getByRole('button', { name: 'Undo merge' }).click()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('Give the reason in a few words.')
  await page.keyboard.type('they are two after all')
  await page.keyboard.press('Enter')
  await expect(page.getByText('merge with K-4417-2S undone')).toBeVisible()
})
