// npm run dev: the server, started again at each change, and Vite's pages with what changes put in place. On the shop's own data, as
// npm start: name another folder with EKROND_DATA to leave it alone.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ensurePackages, root } from './install.mjs'

await ensurePackages()
// Heavy work runs in built threads; the pages of the build are not used.
const { ensureBuild } = await import('./build.mjs')
await ensureBuild()

const port = process.env.EKROND_PORT ?? '4180'
const run = (args) =>
  spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, EKROND_PORT: port } })
const children = [
  run([join(root, 'tools/with-database.mjs'), 'watch', '--clear-screen=false', 'server/main.ts']),
  run([join(root, 'node_modules/vite/bin/vite.js'), '--config', 'web/vite.config.ts']),
]

let ending = false
/** Both end when one does. A signal from the keyboard reached them already. */
function end(code) {
  if (ending) return
  ending = true
  for (const child of children) child.kill('SIGTERM')
  process.exitCode = code
}
for (const child of children) child.once('exit', (code) => end(code ?? 0))
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(0))
