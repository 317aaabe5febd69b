import { AxeBuilder } from '@axe-core/playwright'
import { expect, test as base, type Page } from '@playwright/test'
import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startPostgres } from '../tools/postgres.mjs'

const NOW = '2026-11-24T10:40:00Z'

export interface RunningShop {
  url: string
  port: number
  /** ends the server process and leaves the database */
  stop(): Promise<void>
  start(): Promise<void>
}

const root = join(import.meta.dirname, '..')

/** A shop of its own for each worker: a throw-away PostgreSQL and the built server over it, with the demo in it. */
export const test = base.extend<{ bench: Page }, { shop: RunningShop }>({
  shop: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the fixtures from the pattern
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'ekrond-e2e-'))
      const postgres = await startPostgres(folder, { fast: true })
      const port = await freePort()
      let server: ChildProcess | undefined
      const shop: RunningShop = {
        url: `http://127.0.0.1:${port}`,
        port,
        async start() {
          server = spawn(process.execPath, ['build/server.mjs'], {
            cwd: root,
            env: {
              ...process.env,
              EKROND_DATABASE_URL: postgres.url,
              EKROND_PORT: String(port),
              EKROND_ROOT: root,
              EKROND_NOW: NOW,
            },
            stdio: ['ignore', 'pipe', 'inherit'],
          })
          await new Promise<void>((resolve, reject) => {
            server!.stdout!.on('data', (chunk: Buffer) => String(chunk).includes('listening') && resolve())
            server!.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
          })
        },
        async stop() {
          const ending = server
          if (!ending || ending.exitCode !== null) return
          await new Promise((resolve) => {
            ending.once('exit', resolve)
            ending.kill('SIGTERM')
          })
        },
      }
      await shop.start()
      await use(shop)
      await shop.stop()
      await postgres.stop()
      rmSync(folder, { recursive: true, force: true })
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  /** A page at this shop with a name at its bench; any error on its console fails the test. */
  bench: async ({ browser, shop }, use) => {
    const context = await browser.newContext({ baseURL: shop.url, viewport: { width: 1280, height: 800 } })
    await context.addInitScript(() => {
      localStorage.setItem('ekrond person', 'I. Marrow')
      localStorage.setItem('ekrond sheet', localStorage.getItem('ekrond sheet') ?? 'light')
    })
    const page = await context.newPage()
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    page.on(
      'console',
      (message) =>
        message.type() === 'error' &&
        !/Failed to load resource|ERR_CONNECTION/.test(message.text()) &&
        errors.push(message.text()),
    )
    await use(page)
    await context.close()
    if (errors.length) throw new Error(`the page's console said: ${errors.join('; ')}`)
  },
})

export { expect }

/** Nothing serious for axe, on paper and as a blueprint. */
export async function accessible(
  page: Page,
  where: string,
  sheets: readonly ('light' | 'dark')[] = ['light', 'dark'],
): Promise<void> {
  for (const sheet of sheets) {
    await page.evaluate((name) => (document.documentElement.dataset.sheet = name), sheet)
    const { violations } = await new AxeBuilder({ page }).analyze()
    const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
    expect(
      serious.map(
        (v) =>
          `${where}, ${sheet}: ${v.id} at ${v.nodes
            .map((n) => n.target.join(' '))
            .slice(0, 3)
            .join(', ')}`,
      ),
    ).toEqual([])
  }
  await page.evaluate(() => (document.documentElement.dataset.sheet = 'light'))
}
