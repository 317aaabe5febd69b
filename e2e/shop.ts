import { AxeBuilder } from '@axe-core/playwright'
import { expect, test as base, type Page } from '@playwright/test'
import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
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

interface Cluster {
  /** a database of its own with the demo in it */
  database(empty: boolean): Promise<{ url: string; drop(): Promise<void> }>
}

/**
 * A throw-away PostgreSQL for the worker, the demo loaded into it once; for each test a copy of that database and the built server
 * over it, so that no test sees what another one entered.
 */
export const test = base.extend<
  {
    bench: Page
    shop: RunningShop
    /** a shop on its first day, without the demo */
    empty: boolean
    /** with the simulated instruments at its bench */
    instruments: boolean
    /** enters nothing: such tests of a worker share one shop */
    reads: boolean
    /** by fingers on a tablet: no pointer and no keyboard is needed for what it does */
    touch: boolean
  },
  { cluster: Cluster; shared: () => Promise<RunningShop> }
>({
  empty: [false, { option: true }],
  instruments: [false, { option: true }],
  reads: [false, { option: true }],
  touch: [false, { option: true }],
  shared: [
    async ({ cluster }, use) => {
      let running: Promise<RunningShop> | undefined
      const start = async () => {
        const shop = serverOver((await cluster.database(false)).url, await freePort())
        await shop.start()
        return shop
      }
      await use(() => (running ??= start()))
      await (await running)?.stop()
    },
    { scope: 'worker', timeout: 240_000 },
  ],
  cluster: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads the fixtures from the pattern
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'ekrond-e2e-'))
      const postgres = await startPostgres(folder, { fast: true })
      const admin = new pg.Client({ connectionString: postgres.url })
      await admin.connect()
      const urlOf = (name: string) => postgres.url.replace(/\/[^/]*$/, `/${name}`)
      await admin.query('create database demo')
      const first = serverOver(urlOf('demo'), await freePort())
      await first.start()
      await first.stop()
      let made = 0
      await use({
        async database(empty) {
          const name = `test_${++made}`
          await admin.query(`create database ${name}${empty ? '' : ' template demo'}`)
          return {
            url: urlOf(name),
            drop: async () => void (await admin.query(`drop database ${name} with (force)`)),
          }
        },
      })
      await admin.end()
      await postgres.stop()
      rmSync(folder, { recursive: true, force: true })
    },
    { scope: 'worker', timeout: 240_000 },
  ],
  shop: async ({ cluster, shared, empty, instruments, reads }, use) => {
    if (reads) return use(await shared())
    const database = await cluster.database(empty)
    const shop = serverOver(database.url, await freePort(), empty)
    await shop.start()
    const simulated = instruments
      ? spawn(process.execPath, ['build/instruments.mjs'], {
          cwd: root,
          env: { ...process.env, EKROND_ADDRESS: shop.url },
          stdio: ['ignore', 'ignore', 'inherit'],
        })
      : null
    await use(shop)
    simulated?.kill('SIGTERM')
    await shop.stop()
    await database.drop()
  },
  /** A page at this shop with a name at its bench; any error on its console fails the test. */
  bench: async ({ browser, shop, touch }, use) => {
    const context = await browser.newContext({
      baseURL: shop.url,
      viewport: touch ? { width: 1024, height: 768 } : { width: 1280, height: 800 },
      hasTouch: touch,
      // What the server says is what is tested; the one test of the service worker brings its own context.
      serviceWorkers: 'block',
    })
    // The bench's own clock may stand on any day too.
    if (process.env.EKROND_TEST_DAY)
      await context.addInitScript(
        readFileSync(join(root, 'tools/other-day.mjs'), 'utf8').replace(
          'process.env.EKROND_TEST_DAY',
          JSON.stringify(process.env.EKROND_TEST_DAY),
        ),
      )
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
        !/Failed to load resource|ERR_CONNECTION|ERR_INTERNET_DISCONNECTED/.test(message.text()) &&
        errors.push(message.text()),
    )
    await use(page)
    await context.close()
    if (errors.length)
      throw new Error(`the page's console said: ${[...new Set(errors)].slice(0, 6).join('; ')}`)
  },
})

/** The built server over a database, as `npm start` runs it. */
function serverOver(databaseUrl: string, port: number, empty = false): RunningShop {
  let server: ChildProcess | undefined
  return {
    url: `http://127.0.0.1:${port}`,
    port,
    async start() {
      server = spawn(process.execPath, ['build/server.mjs'], {
        cwd: root,
        env: {
          ...process.env,
          EKROND_DATABASE_URL: databaseUrl,
          EKROND_PORT: String(port),
          EKROND_ROOT: root,
          EKROND_NOW: NOW,
          EKROND_HOSTS: 'bench.shop.test',
          ...(empty ? { EKROND_DEMO: 'off' } : {}),
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
}

export { expect }

/** Nothing serious for axe, on paper and as a blueprint. */
export async function accessible(
  page: Page,
  where: string,
  sheets: readonly ('light' | 'dark')[] = ['light', 'dark'],
): Promise<void> {
  for (const sheet of sheets) {
    await page.evaluate((name) => (document.documentElement.dataset.sheet = name), sheet)
    // The second sheet is the first in other colours: only these are asked again.
    const axe = new AxeBuilder({ page })
      .options({
        resultTypes: ['violations'],
        ...(sheet === sheets[0] ? {} : { runOnly: ['color-contrast'] }),
      })
      // No page of ours has frames: without them nothing is gathered in a window of its own, which takes longer than the looking.
      .setLegacyMode(true)
    const { violations } = await axe.analyze()
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
