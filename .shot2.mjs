import { chromium } from '@playwright/test'
import { readFileSync } from 'node:fs'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const c = await b.newContext({ baseURL: 'http://127.0.0.1:4555', viewport: { width: 1280, height: 800 } })
await c.addInitScript(() => localStorage.setItem('ekrond person', 'I. Marrow'))
const p = await c.newPage()
const take = async (path) => {
  await p.goto(path); await p.waitForTimeout(1500)
  await p.locator('input[type=file]').first().setInputFiles(['docs/screenshots/set.png'])
  await p.waitForTimeout(1500)
}
await take('/jobs/1183/asfound'); await p.screenshot({ path: '/tmp/a.png' })
await take('/jobs/1184/teardown'); await p.screenshot({ path: '/tmp/b.png' })
await p.getByRole('button', { name: /^Photograph As it/ }).click(); await p.waitForTimeout(500)
await p.getByRole('dialog').getByRole('img').click({ position: { x: 200, y: 120 } }); await p.getByLabel('What is there').fill('ring here'); await p.keyboard.press('Enter'); await p.waitForTimeout(400)
await p.screenshot({ path: '/tmp/c.png' })
await p.goto('/jobs/1184/return'); await p.waitForTimeout(1200)
await p.getByLabel('Photographs, before and after').scrollIntoViewIfNeeded(); await p.screenshot({ path: '/tmp/d.png' })
await b.close()
