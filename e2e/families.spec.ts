import { aim } from '@ekrond/core/judge/settings'
import { settingKey, type Sheets } from '@ekrond/core/sheets'
import type { Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { finding, sheetsFor } from '../demo/log-entries.ts'
import { openOn } from './job.ts'
import { expect, test } from './shop.ts'
import { turned } from './screws.ts'

type Opened = Awaited<ReturnType<typeof openOn>>

/** All of it off and found sound, what is always renewed taken from the shelf. */
async function stripped({ enter }: Opened, { build }: Sheets) {
  for (const { code, stays, tray, always } of build.positions) {
    if (!stays) await enter('part.off', { position: code, tray })
    await enter('finding.judged', finding(code, always ? 'replace' : 'reuse'))
  }
  const serves = build.positions.filter(({ always, part }) => always && part).map(({ code }) => code)
  await enter('order.placed', {
    lines: [{ what: 'shelf', code: 'SH-1', supplier: 'shelf', quantity: 1, priceMinor: 0, serves }],
    totalMinor: 0,
    arrives: '2026-11-25',
  })
}

/** Build to its end by the keyboard, with each reading on its value where the build stops for it; the names that were read. */
async function built(page: Page, { spec }: Sheets): Promise<string[]> {
  const read: string[] = []
  for (let guard = 0; guard < 60; guard++) {
    const asked = page.locator('main input[aria-label$=", reading"]')
    if (await asked.count()) {
      const label = (await asked.getAttribute('aria-label'))!
      const setting = spec.settings.find(({ name }) => label === `${name}, reading`)!
      await page.keyboard.type(
        setting.quantity === 'turns' ? setting.asWritten.replace(/ on$/, '') : String(aim(setting)),
      )
      await page.keyboard.press('Enter')
      await expect(page.getByLabel(label, { exact: true })).toBeHidden()
      read.push(settingKey(setting))
      continue
    }
    if (await turned(page)) continue
    const heading = await page.locator('main h2').innerText()
    if (heading === 'The trays are empty.') return read
    const left = await page.getByText(/parts still in trays/).innerText()
    if (
      !(await page
        .getByRole('button', { name: /^Installed/ })
        .first()
        .isEnabled())
    )
      await page.locator('main').getByRole('radio').last().press('Space')
    await page.keyboard.press('Enter')
    await expect(page.getByText(left, { exact: true })).toBeHidden()
  }
  throw new Error('the build has no end')
}

for (const [family, listNumber] of [
  ['a slide', 'S26-14F'],
  ['an updraft', '12T-401'],
  ['a small one-barrel', 'U302A'],
] as const)
  test(`${family} goes together with its float set inside the build`, async ({ bench: page, shop }) => {
    const sheets = sheetsFor(listNumber)
    const job = await openOn(shop, sheets)
    await stripped(job, sheets)
    await page.goto(`/jobs/${job.number}/build`)
    await expect(page.locator('main h2')).toBeVisible()
    expect(await built(page, sheets)).toContain('float.height/none')
  })

const points = (page: Page) => page.getByRole('list', { name: 'Open items' }).locator('b').allInnerTexts()

test('what is not cured stops at the gate by name, and is cured where it stops; the draft says that it is one', async ({
  bench: page,
  shop,
}) => {
  const sheets = sheetsFor('K-4417-2S')
  const job = await openOn(shop, sheets)
  const measured = (
    position: string,
    disposition: 'clean' | 'repair' | 'reuse',
    raw: string,
    value: number,
  ) =>
    job.enter('finding.judged', {
      ...finding(position, 'reuse'),
      raw,
      measured: position.startsWith('jet')
        ? { what: 'bore', go: value - 0.01, no: value + 0.01 }
        : { what: 'play', value, sigma: 0.01 },
      shown: { disposition, sure: true, sentence: 'As measured.', rule: '', limit: null },
    })
  await job.enter('asfound.noted', {
    code: 'pump.hole',
    place: 'none',
    raw: '1',
    value: 1,
    countedTo: null,
    shown: { headline: '1 where the sheet has 2.', meaning: '' },
  })
  for (const { code, stays, tray } of sheets.build.positions)
    if (!stays) await job.enter('part.off', { position: code, tray })
  await measured('jet.main/P', 'clean', '1.24 1.26', 1.25)
  await measured('throttle.shaft', 'repair', '0.4', 0.4)
  await job.enter('finding.judged', finding('seat', 'replace', 'ringed'))
  await page.goto(`/jobs/${job.number}/return`)
  await expect(page.getByRole('list', { name: 'Open items' })).toBeVisible()
  const open = (await points(page)).join('\n')
  expect(open).toContain('Main jet, primary: to be cleaned')
  expect(open).toContain('Throttle shaft: to be repaired')
  expect(open).toContain('Seat: to be replaced')
  expect(open).toContain('Pump link hole')

  // The draft on paper says that it certifies nothing.
  const pdf = await page.request.get(`${shop.url}/api/jobs/${job.number}/sheet.pdf`)
  const file = join(mkdtempSync(join(tmpdir(), 'ekrond-draft-')), 'sheet.pdf')
  writeFileSync(file, await pdf.body())
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })
  expect(text).toContain('DRAFT')
  expect(text).not.toMatch(/revision [A-Z]\b|\bPROVED\b/)

  // The jet: from the gate to its place, measured again.
  await page.getByRole('button', { name: /Main jet, primary: to be cleaned/ }).click()
  await page.getByRole('link', { name: 'Go to its station' }).click()
  await expect(page).toHaveURL(/teardown/)
  await expect(page.getByRole('heading', { name: 'Main jet, primary' })).toBeVisible()
  await page.getByRole('radio', { name: 'Sound' }).press('Space')
  await page.keyboard.type('1.34 1.36')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Main jet, primary' })).toBeHidden()
  // Arrived before the window goes elsewhere.
  await expect
    .poll(async () => {
      const { entries } = (await (await fetch(`${shop.url}/api/jobs/${job.number}`)).json()) as {
        entries: { kind: string; data: { raw?: string } }[]
      }
      return entries.filter(({ kind, data }) => kind === 'finding.judged' && data.raw === '1.34 1.36').length
    })
    .toBe(1)
  // The shaft, bushed: played again by the indicator.
  await measured('throttle.shaft', 'reuse', '0.02', 0.02)
  await page.goto(`/jobs/${job.number}/return`)
  await expect(page.getByRole('list', { name: 'Open items' })).toBeVisible()
  await expect
    .poll(async () => (await points(page)).join('\n'))
    .not.toContain('Main jet, primary: to be cleaned')
  const left = (await points(page)).join('\n')
  expect(left).not.toContain('Throttle shaft: to be repaired')
  expect(left).toContain('Seat: to be replaced')
})
