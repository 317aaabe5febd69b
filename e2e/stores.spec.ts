import { accessible, expect, test } from './shop.ts'

test.describe('an empty shop', () => {
  test.use({ empty: true })
  test('fills its stores by hand: a supplier, a part with its price, a kit that holds it', async ({
    bench: page,
    shop,
  }) => {
    await page.goto('/shop/stores/supplier')
    await expect(page.getByText('No supplier yet.')).toBeVisible()
    await page.getByRole('button', { name: 'New supplier' }).click()
    await page.getByLabel('Number').fill('sh')
    await page.getByLabel('Name').fill('Sluice House')
    await page.getByLabel('Shipping per order').fill('4.50')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('heading', { name: 'SH', exact: true })).toBeVisible()

    await page.getByRole('link', { name: 'Parts' }).click()
    await page.getByRole('button', { name: 'New part' }).click()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Give it its number first.')).toBeVisible()
    await page.getByLabel('Number').fill('PV-1')
    await page.getByLabel('What it is').fill('Power valve')
    await page.getByLabel('Kind').selectOption('diaphragm')
    await page.getByLabel('In the drawer').fill('3')
    await page.getByRole('button', { name: 'A supplier' }).click()
    await page.getByLabel('Price').fill('-2')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('alert')).toContainText('must be 0 or more')
    await page.getByLabel('Price').fill('12,40')
    await page.getByLabel('Days').fill('3')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('heading', { name: 'PV-1', exact: true })).toBeVisible()

    await page.getByRole('link', { name: 'Kits' }).click()
    await page.getByRole('button', { name: 'New kit' }).click()
    await page.getByLabel('Number').fill('KIT-9')
    await page.getByLabel('What it is').fill('Small repair')
    await page.getByLabel('Sold by').selectOption('SH')
    await page.getByLabel('Price').fill('20')
    await page.getByRole('button', { name: 'A part' }).click()
    await page.getByLabel('Part', { exact: true }).fill('PV-1')
    await page.getByLabel('Pieces').fill('2')
    await expect(page.getByText('Bought separately: 24.80. Here: 20.00.')).toBeVisible()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('heading', { name: 'KIT-9', exact: true })).toBeVisible()
    await accessible(page, 'stores', ['light'])

    const market = (await (await page.request.get(`${shop.url}/api/market`)).json()) as {
      kits: unknown[]
      singles: unknown[]
    }
    expect(market.kits).toMatchObject([
      { code: 'KIT-9', priceMinor: 2000, holds: [{ part: 'PV-1', quantity: 2 }] },
    ])
    expect(market.singles).toMatchObject([{ part: 'PV-1', supplier: 'SH', priceMinor: 1240, leadDays: 3 }])
    // What a kit holds is not taken out under it.
    await page.goto('/shop/stores/part/PV-1')
    await expect(page.getByText('kit KIT-9')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Remove from stores' })).toBeHidden()
  })
})

test('two change one price: the second sees both sides, and either can win', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/shop/stores/kit/31-B')
  await page.getByLabel('Price').fill('99')
  const theirs = await page.request.get(`${shop.url}/api/stores/kit/31-B`)
  const { record } = (await theirs.json()) as { record: Record<string, unknown> }
  await page.request.put(`${shop.url}/api/stores/kit/31-B`, {
    data: { version: 0, by: 'T. Hale', record: { ...record, priceMinor: 7700 } },
  })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toContainText('T. Hale changed 31-B while you did')
  const both = page.getByRole('group', { name: 'Both sides' })
  await expect(both).toContainText('theirs: 77.00')
  await expect(both).toContainText('yours: 99.00')
  await page.getByRole('button', { name: 'Save mine anyway' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await expect(page.getByText('price 77.00 → 99.00')).toBeVisible()
})
