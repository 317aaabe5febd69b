// npm run screenshots: one picture of each main view from the demo data, into docs/screenshots.
import { execFileSync, spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureBuild } from './build.mjs'
import { ensureDebian, ensurePackages, root } from './install.mjs'
import { freePort, startPostgres } from './postgres.mjs'

const NOW = '2026-11-24T10:40:00Z'

const type = (text) => async (page) => page.keyboard.type(text)
const press = (key) => async (page) => page.keyboard.press(key)

/** A passage was cleaned: what was blown before says nothing of now. */
const anew = async (page) => {
  const base = new URL(page.url()).origin
  const { job } = await (await page.request.get(`${base}/api/jobs/1181`)).json()
  const entry = {
    id: randomUUID(),
    job,
    kind: 'passage.cleaned',
    v: 1,
    body: 1,
    data: { passage: 'transfer', tool: 'soft' },
    by: 'O. Dell',
    at: NOW,
  }
  await page.request.post(`${base}/api/jobs/${job}/entries`, { data: { entries: [entry] } })
  await page.reload()
}

/** What the bench says of a unit that nobody knows, sent as its window would. */
const teach = async (page) => {
  const base = new URL(page.url()).origin
  const { job } = await (await page.request.get(`${base}/api/jobs/1182`)).json()
  const entry = (kind, data) => ({
    id: randomUUID(),
    job,
    kind,
    v: 1,
    body: 1,
    data,
    by: 'O. Dell',
    at: NOW,
  })
  const fact = (code, raw, value, sigma) =>
    entry('own.dimension', { fact: code, raw, value, sigma, gauge: sigma ? 'caliper 2' : null })
  const leaf = (target) => ({
    code: 'float.height',
    place: 'none',
    asWritten: `${target} ±0.5`,
    target,
    lo: target - 0.5,
    hi: target + 0.5,
  })
  await page.request.post(`${base}/api/jobs/${job}/entries`, {
    data: {
      entries: [
        entry('ident.taught', {
          family: 'downdraft',
          barrels: 2,
          float: 'from the cover',
          choke: 'coil',
          maker: '',
          name: 'hop kiln ?-type',
        }),
        entry('own.setting', { ...leaf(12.4), source: 'from relatives', ground: 'median of 18, spread 0.7' }),
        entry('own.setting', { ...leaf(14.5), source: 'kit leaf', ground: 'leaf 7, page 2' }),
        fact('float.sense', 'on the face, down to the float', 'from the face', null),
        fact('float.correction', 'its tang is bent', 'tang', null),
        fact('float.tang', '6.0', 6, 0.2),
        fact('seat.bore', '2.4', 2.4, 0.02),
        fact('float.mass', '9.6', 9.6, 0.1),
        entry('teardown.unlocked', { why: 'came in a box' }),
        entry('part.off', { position: 'choke.coil', tray: 'A' }),
        entry('part.off', { position: 'pump.link', tray: 'A' }),
      ],
    },
  })
  await page.reload()
  await page.locator('main, [role=region]').first().waitFor()
  await page.waitForTimeout(900)
}

const VIEWS = [
  { name: 'rack', path: '/' },
  {
    name: 'receive',
    path: '/receive',
    steps: [
      type('rink'),
      (page) => page.getByRole('option', { name: /Osk skating rink/ }).click(),
      (page) => page.getByRole('group', { name: 'Promise for' }).getByRole('button').nth(2).click(),
      (page) => page.getByRole('button', { name: 'flooding' }).click(),
      (page) => page.getByRole('button', { name: 'idle', exact: true }).click(),
      (page) => page.getByRole('button', { name: 'engine hot', exact: true }).click(),
      (page) => page.getByRole('button', { name: 'parked' }).click(),
      (page) => page.getByLabel(/In the customer’s words/).fill('Drips on the ice when it stands'),
    ],
  },
  {
    name: 'identify',
    path: '/jobs/1182/identify',
    steps: [
      type('K-44[17]7-?'),
      press('Enter'),
      (page) => page.getByLabel('throttle bore').fill('31.1'),
      press('Enter'),
    ],
  },
  { name: 'asfound', path: '/jobs/1181/asfound' },
  { name: 'teardown', path: '/jobs/1184/teardown' },
  {
    name: 'clean',
    path: '/jobs/1181/clean',
    steps: [
      anew,
      ...['J', 'B', 'I', 'T', 'T'].map(
        (port) => (page) => page.getByRole('button', { name: new RegExp(`^Port ${port},`) }).click(),
      ),
      (page) => page.keyboard.press('Enter'),
    ],
  },
  { name: 'parts', path: '/jobs/1185/parts' },
  { name: 'build', path: '/jobs/1192/build' },
  { name: 'set', path: '/jobs/1181/set', steps: [type('11.2')] },
  {
    name: 'prove',
    path: '/jobs/1186/prove',
    steps: [(page) => page.getByRole('button', { name: /^Inlet under air:/ }).click()],
  },
  {
    name: 'prove-bank',
    path: '/jobs/1190/prove',
    steps: [
      (page) => page.getByRole('button', { name: /^Alike on vacuum:/ }).click(),
      ...['254', '262', '240', '231'].map(
        (reading, i) => (page) => page.getByRole('textbox', { name: `Carburetor ${i + 1}` }).fill(reading),
      ),
    ],
  },
  { name: 'why', path: '/jobs/1188/why' },
  { name: 'return', path: '/jobs/1186/return' },
  { name: 'stores', path: '/shop/stores/kit/31-B' },
  { name: 'library', path: '/library' },
  { name: 'jets', path: '/jobs/1184/set?jets&toAltitude=1600&toTemperature=30' },
  { name: 'figures', path: '/figures/gap?angle=25&job=1181', sheet: 'dark' },
  // Last: they make one of the demo's jobs a taught one.
  { name: 'teach', path: '/jobs/1182/identify', steps: [teach, type('46.2')] },
]

ensurePackages()
ensureDebian(['postgres', 'chromium', 'pdftotext'])
await ensureBuild()
const { chromium } = await import('@playwright/test')
const out = join(root, 'docs/screenshots')
mkdirSync(out, { recursive: true })
const folder = mkdtempSync(join(tmpdir(), 'ekrond-shots-'))
const postgres = await startPostgres(folder, { fast: true })
const port = await freePort()
const server = spawn(process.execPath, ['build/server.mjs'], {
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
await new Promise((resolve) =>
  server.stdout.on('data', (chunk) => String(chunk).includes('listening') && resolve()),
)
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking'],
})
const only = process.argv.slice(2)
for (const { name, path, sheet = 'light', steps = [] } of VIEWS) {
  if (only.length && !only.includes(name)) continue
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
  })
  // The window's clock is the demo's.
  await context.clock.install({ time: NOW })
  await context.addInitScript((theme) => {
    globalThis.localStorage.setItem('ekrond person', 'I. Marrow')
    globalThis.localStorage.setItem('ekrond sheet', theme)
  }, sheet)
  const page = await context.newPage()
  page.setDefaultTimeout(20_000)
  await page.goto(path)
  await page.locator('main, [role=region]').first().waitFor()
  await page.waitForTimeout(900)
  for (const step of steps) {
    await step(page)
    await page.waitForTimeout(350)
  }
  await page.screenshot({ path: join(out, `${name}.png`) })
  await context.close()
}
await browser.close()
if (!only.length || only.includes('return-sheet')) {
  const pdf = await fetch(`http://127.0.0.1:${port}/api/jobs/1186/sheet.pdf`)
  writeFileSync(join(folder, 'sheet.pdf'), Buffer.from(await pdf.arrayBuffer()))
  execFileSync('pdftoppm', [
    '-png',
    '-r',
    '80',
    '-singlefile',
    join(folder, 'sheet.pdf'),
    join(out, 'return-sheet'),
  ])
}
await new Promise((resolve) => {
  server.once('exit', resolve)
  server.kill('SIGTERM')
})
await postgres.stop()
rmSync(folder, { recursive: true, force: true })
