// npm run e2e -- NAME: the browser tests whose files' names hold NAME, on what is built from the code as it stands.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureDebian, ensurePackages, root } from './install.mjs'

await ensurePackages()
await ensureDebian(['postgres', 'chromium', 'pdftotext'])
const { ensureBuild } = await import('./build.mjs')
await ensureBuild()
const { status } = spawnSync(
  process.execPath,
  [
    join(root, 'node_modules/@playwright/test/cli.js'),
    'test',
    ...['--config', 'e2e/playwright.config.ts', '--reporter', 'list'],
    ...process.argv.slice(2),
  ],
  { cwd: root, stdio: 'inherit' },
)
process.exit(status ?? 1)
