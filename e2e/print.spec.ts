import type { Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from './shop.ts'

test.use({ reads: true })

/** What stands on the paper, and on how many pages. */
async function printed(page: Page): Promise<{ text: string; pages: number }> {
  const file = join(mkdtempSync(join(tmpdir(), 'ekrond-print-')), 'page.pdf')
  writeFileSync(file, await page.pdf({ format: 'A4' }))
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })
  return { text, pages: text.split('\f').length - 1 }
}

test('the plain list prints whole: every job with what the rack says of it, no buttons', async ({
  bench: page,
}) => {
  await page.goto('/?as=list')
  await expect(page.getByRole('row', { name: /1185/ })).toBeVisible()
  const { text, pages } = await printed(page)
  for (const number of [1181, 1182, 1183, 1184, 1188, 1189, 1190, 1192, 1193, 1194])
    expect(text, String(number)).toMatch(new RegExp(`${number}[A-Z]`))
  expect(text).toContain('was promised Mon 23 Nov')
  expect(text).toContain('Tue 24 Nov')
  expect(text).not.toMatch(/Show finished|New job|Blueprint/)
  expect(pages).toBeLessThanOrEqual(3)
})

test('the story prints whole, also what lies below the window', async ({ bench: page }) => {
  await page.goto('/jobs/1187/history')
  await expect(page.getByText('returned it with its sheet')).toBeVisible()
  const { text } = await printed(page)
  expect(text).toContain('returned it with its sheet')
  expect(text).toContain('took it in for Osk skating rink')
  expect(text).not.toMatch(/as it stood|all stations/)
})

test('the label has number and letter large, as text, on 70 by 36 mm', async ({ bench: page, shop }) => {
  const answer = await page.request.get(`${shop.url}/api/jobs/1184/label.pdf`)
  const file = join(mkdtempSync(join(tmpdir(), 'ekrond-label-')), 'label.pdf')
  writeFileSync(file, await answer.body())
  expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toContain('1184')
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' })
  // 70 mm is 198.4 points, 36 mm 102.0.
  expect(info).toMatch(/Page size:\s+198\.\d+ x 102\.\d* pts|Page size:\s+198\.\d+ x 102 pts/)
})
