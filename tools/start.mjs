// npm start: installs what is missing, starts the private PostgreSQL, builds, serves, prints the address, stops cleanly.
import { spawn } from 'node:child_process'
import { ensureDebian, ensurePackages, root, say } from './install.mjs'

const port = process.env.EKROND_PORT ?? '4180'
let postgres
let server
let stopping = false

async function stop(code) {
  if (stopping) return
  stopping = true
  if (server && server.exitCode === null) {
    server.kill('SIGTERM')
    await new Promise((resolve) => {
      server.once('exit', resolve)
      setTimeout(() => server.kill('SIGKILL'), 5000).unref()
    })
  }
  if (postgres) await postgres.stop()
  process.exit(code)
}
process.on('SIGINT', () => void stop(0))
process.on('SIGTERM', () => void stop(0))

try {
  const begun = Date.now()
  ensurePackages()
  if (!process.env.EKROND_DATABASE_URL) ensureDebian(['postgres'])
  const { ensureBuild } = await import('./build.mjs')
  await ensureBuild()
  let url = process.env.EKROND_DATABASE_URL
  if (!url) {
    const { defaultDataFolder, startPostgres } = await import('./postgres.mjs')
    const folder = defaultDataFolder()
    postgres = await startPostgres(folder)
    url = postgres.url
    say(`the shop's data lies in ${folder}`)
  }
  server = spawn(process.execPath, ['--enable-source-maps', 'build/server.mjs'], {
    cwd: root,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      EKROND_DATABASE_URL: url,
      EKROND_PORT: port,
      EKROND_ROOT: root,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  server.stdout.on('data', (chunk) => {
    const listening = /listening (\S+)/.exec(String(chunk))
    if (listening)
      say(`open ${listening[1]}  (ready in ${((Date.now() - begun) / 1000).toFixed(1)} s; Ctrl-C stops it)`)
    else process.stdout.write(chunk)
  })
  server.once('exit', (code) => void stop(stopping ? 0 : (code ?? 1)))
} catch (error) {
  console.error(`ekrond: ${error.message}`)
  await stop(1)
}
