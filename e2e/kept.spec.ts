import { chromium } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { unsent } from '../demo/log-entries.ts'
import { expect, test } from './shop.ts'
import { AT, enterTaken } from './taken.ts'

test.describe('reading', () => {
  test.use({ reads: true })
  test('the rack says that it is the demo, and how the shop is kept when it is not well', async ({
    bench: page,
  }) => {
    await page.goto('/')
    const kept = page.getByRole('group', { name: 'Backup and disk' })
    await expect(kept).toContainText('Demo shop.')
    await page.route('**/api/keeping', (route) =>
      route.fulfill({
        json: {
          kind: 'real',
          disk: { state: 'low', freeBytes: 740_000_000 },
          backup: { state: 'failed', at: '2026-11-21T02:10:00.000Z', why: 'the disk is full' },
        },
      }),
    )
    await page.reload()
    await expect(kept).toContainText('Only 0.7 GB left on the shop’s disk.')
    await expect(kept).toContainText(
      'The last backup failed: the disk is full. The last good one is from 21 Nov',
    )
    await expect(kept).not.toContainText('Demo shop')
  })

  test('a window that is older than the server is told to reload', async ({ bench: page }) => {
    await page.route('**/api/events', (route) =>
      route.fulfill({ contentType: 'text/event-stream', body: 'event: version\ndata: another\n\n' }),
    )
    await page.goto('/')
    await expect(page.getByText('Ekrond was updated. Nothing you entered is lost.')).toBeVisible()
  })
})

test('a history of a thousand entries draws only what is in sight, and all of it on paper', async ({
  bench: page,
  shop,
}) => {
  const { job } = (await (await fetch(`${shop.url}/api/jobs/1181`)).json()) as { job: string }
  for (let i = 0; i < 10; i++)
    await enterTaken(
      shop,
      job,
      Array.from({ length: 100 }, (_, k) =>
        unsent(1, 'note.written', { text: `note ${i * 100 + k}` }, { id: randomUUID(), job, at: AT }),
      ),
    )
  await page.goto('/jobs/1181/history')
  const rows = page.locator('main li, ol li')
  await expect(rows.first()).toContainText('note 999')
  expect(await rows.count()).toBeLessThan(80)
  const list = page.getByRole('region', { name: /entries$/ })
  await list.evaluate((element) => (element.scrollTop = element.scrollHeight))
  await expect(page.getByText('took it in for', { exact: false }).first()).toBeVisible()
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
  expect(await rows.count()).toBeGreaterThan(1000)
})

test('over plain HTTP under another name a figure is entered as anywhere', async ({ shop }) => {
  // Such a page has no randomUUID, no locks and no service worker.
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--host-resolver-rules=MAP bench.shop.test 127.0.0.1'],
  })
  try {
    const page = await browser.newPage()
    await page.addInitScript(() => localStorage.setItem('ekrond person', 'I. Marrow'))
    await page.goto(`http://bench.shop.test:${shop.port}/jobs/1181/set`)
    expect(await page.evaluate(() => isSecureContext)).toBe(false)
    const field = page.getByRole('textbox').first()
    await expect(field).toBeVisible()
    await page.keyboard.type('13.62')
    await page.keyboard.press('Enter')
    await expect
      .poll(async () => (await (await fetch(`${shop.url}/api/jobs/1181`)).text()).includes('"raw":"13.62"'))
      .toBe(true)
  } finally {
    await browser.close()
  }
})
