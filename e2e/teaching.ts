import { expect, type Page } from '@playwright/test'

export const ask = (page: Page) => page.getByRole('region', { name: 'Current step' })
export const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click()

/** A job opened at the counter, on its page. */
export async function received(page: Page, engine: string) {
  await page.goto('/receive')
  await page.getByLabel('Customer', { exact: true }).fill('Osk hop kiln 2')
  await page.getByLabel('Engine', { exact: true }).fill(engine)
  await page.getByLabel('Equipment').fill('drying fan')
  await page.getByLabel('Promised').fill('2026-12-04')
  await press(page, 'hard start')
  await press(page, /^Open job/)
  await expect(page).toHaveURL(/jobs\/\d+\/identify$/)
}
