// npm test: lint, types, unit tests and the browser tests, with nothing installed before. Ends with the true counts.
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { stripVTControlCharacters } from 'node:util'
import { ensureDebian, ensurePackages, root, say } from './install.mjs'

const counts = { passed: 0, failed: 0 }
const failures = []

/** Runs one step with its output as it comes. A step that is no test counts as one. */
async function step(name, args, { counted = false, env = {} } = {}) {
  say(`${name} …`)
  const begun = Date.now()
  const code = await new Promise((resolve) => {
    const child = spawn(process.execPath, args, {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, CI: '1', FORCE_COLOR: '0', NO_COLOR: '1', EKROND_DATABASE_URL: '', ...env },
    })
    child.once('close', resolve)
    child.once('error', () => resolve(1))
  })
  if (!counted) counts[code === 0 ? 'passed' : 'failed']++
  if (code !== 0) failures.push(name)
  say(`${name}: ${code === 0 ? 'good' : 'FAILED'}, ${((Date.now() - begun) / 1000).toFixed(0)} s`)
}

/** What runs on another day of the machine runs there alone: today is had by all the others. */
const READS_NO_CLOCK = 'server/jobs/evidence.test.ts'
const ON_THE_LEAP_DAY = ['server/jobs/!(evidence).test.ts', 'server/cli/**', 'server/shop/**']
const IN_2031 = 'a whole teardown of a two-barrel'

const bin = (path) => join('node_modules', path)
const browserTests = [bin('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts']
const reports = mkdtempSync(join(tmpdir(), 'ekrond-reports-'))

function count(file, read) {
  try {
    const { passed, failed, said } = read(JSON.parse(readFileSync(join(reports, file), 'utf8')))
    counts.passed += passed
    counts.failed += failed
    failures.push(...said)
    if (passed + failed === 0) throw new Error('no test ran')
  } catch (error) {
    counts.failed++
    failures.push(`${file}: ${error.message}`)
  }
}

/** The first lines of what a failed test said: they stand again at the end, where a long output is cut in its middle. */
const firstLines = (text) =>
  stripVTControlCharacters(text ?? '')
    .split('\n')
    .filter((line) => line.trim())
    .slice(0, 12)
    .map((line) => `    ${line.slice(0, 300)}`)
    .join('\n')

const countUnit = (file) =>
  count(file, (report) => ({
    said: report.testResults.flatMap((one) =>
      one.assertionResults
        .filter((test) => test.status === 'failed')
        .map((test) => `${test.fullName}\n${firstLines(test.failureMessages[0])}`),
    ),
    passed: report.numPassedTests,
    failed:
      report.numFailedTests +
      report.testResults.filter((one) => one.status === 'failed' && one.assertionResults.length === 0).length,
  }))
const specsOf = (suite) => [...suite.specs, ...(suite.suites ?? []).flatMap(specsOf)]
const countBrowser = (file) =>
  count(file, ({ stats, suites }) => ({
    said: suites
      .flatMap(specsOf)
      .filter((spec) => !spec.ok)
      .map(
        (spec) =>
          `${spec.title}\n${firstLines(spec.tests.flatMap((one) => one.results).find((one) => one.error)?.error.message)}`,
      ),
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected,
  }))

try {
  await ensurePackages()
  await ensureDebian(['postgres', 'chromium', 'pdftotext'])
  const tsc = bin('typescript-7/bin/tsc')
  await step('lint', [bin('oxlint/bin/oxlint'), '--deny-warnings', '--report-unused-disable-directives'])
  await step('types of core, contract and server', [tsc, '--noEmit', '-p', 'tsconfig.json'])
  await step('types of the pages', [tsc, '--noEmit', '-p', 'web/tsconfig.json'])
  await step('types of the browser tests', [tsc, '--noEmit', '-p', 'e2e/tsconfig.json'])
  await step('format', [bin('oxfmt/bin/oxfmt'), '--check'])
  // Each uses one core: both at once.
  await Promise.all([
    step('arrows', [
      ...[bin('dependency-cruiser/bin/dependency-cruise.mjs'), '--config', '.dependency-cruiser.cjs'],
      ...['core', 'contract', 'server', 'web', 'bench', 'demo', 'e2e'],
    ]),
    step('dead exports', [bin('knip/bin/knip.js'), '--include', 'exports,files', '--no-progress']),
  ])
  // One build for the tests that kill the built server and for the browser's.
  const { ensureBuild } = await import('./build.mjs')
  await ensureBuild()
  await step(
    'unit tests',
    [
      bin('vitest/vitest.mjs'),
      'run',
      ...ON_THE_LEAP_DAY.flatMap((files) => ['--exclude', files]),
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${join(reports, 'unit.json')}`,
    ],
    { counted: true },
  )
  countUnit('unit.json')
  await step('browser tests', [...browserTests, '--grep-invert', IN_2031], {
    counted: true,
    env: { PLAYWRIGHT_JSON_OUTPUT_FILE: join(reports, 'browser.json') },
  })
  countBrowser('browser.json')
  // The rest on two other days of the machine: nothing may depend on when it runs.
  const on = (day, more = {}) => ({
    NODE_OPTIONS: `--import ${pathToFileURL(join(root, 'tools/other-day.mjs'))}`,
    EKROND_TEST_DAY: day,
    ...more,
  })
  // The one waits for PostgreSQL, the other for its browser: both at once.
  await Promise.all([
    step(
      'a shop on 29 February 2028',
      [
        bin('vitest/vitest.mjs'),
        ...['run', '--project', 'server', 'server/jobs', 'server/cli', 'server/shop'],
        ...['--exclude', READS_NO_CLOCK],
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=${join(reports, 'leap.json')}`,
      ],
      { counted: true, env: on('2028-02-29T08:00:00Z') },
    ),
    step('a teardown on 31 December 2031', [...browserTests, '--grep', IN_2031], {
      counted: true,
      env: on('2031-12-31T22:00:00Z', { PLAYWRIGHT_JSON_OUTPUT_FILE: join(reports, 'later.json') }),
    }),
  ])
  countUnit('leap.json')
  countBrowser('later.json')
} catch (error) {
  console.error(`ekrond: ${error.message}`)
  counts.failed++
} finally {
  rmSync(reports, { recursive: true, force: true })
}
if (failures.length) console.log(`failed:\n${failures.map((one) => `  ${one}`).join('\n')}`)
console.log(`${counts.passed} passed, ${counts.failed} failed`)
process.exit(counts.failed === 0 ? 0 : 1)
