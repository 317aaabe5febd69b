import { expect, type Page } from '@playwright/test'

/** Where screws are asked for, Enter turns all that this round needs; what stood there, or null where none are asked. */
export async function turned(page: Page): Promise<string | null> {
  const stands = page.getByText(/· \d+ of \d+ (started|finger-tight|final|checked again)$/)
  if (!(await stands.count())) return null
  const words = await stands.innerText()
  await page.keyboard.press('Enter')
  await expect(page.getByText(words, { exact: true })).toBeHidden()
  return words
}
