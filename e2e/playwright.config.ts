import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  // Each worker has a PostgreSQL and servers of its own; a browser test waits more than it works.
  workers: 2,
  fullyParallel: false,
  // Limits only say when something hangs: a machine three times as slow is waited for.
  timeout: 900_000,
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
})
