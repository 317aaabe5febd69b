// What a machine needs before anything of ours can run. Built-ins only: nothing is installed yet.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { runToEnd } from './processes.mjs'

export const root = join(import.meta.dirname, '..')

export const say = (text) => console.log(`ekrond: ${text}`)

/** Installs the npm packages where the lock file changed since last time. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const stamp = join(root, 'node_modules', '.ekrond-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('installing npm packages (a minute or two the first time) …')
  await runToEnd('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'], { cwd: root })
  writeFileSync(stamp, lock)
}

const DEBIAN = {
  postgres: { there: () => postgresBin() !== undefined, packages: ['postgresql'] },
  chromium: { there: () => existsSync('/usr/bin/chromium'), packages: ['chromium'] },
  pdftotext: { there: () => existsSync('/usr/bin/pdftotext'), packages: ['poppler-utils'] },
}

/** Installs the Debian packages that are missing: as root by itself, else it says the one command. */
export async function ensureDebian(names) {
  const missing = names.filter((name) => !DEBIAN[name].there()).flatMap((name) => DEBIAN[name].packages)
  if (missing.length === 0) return
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (process.getuid?.() !== 0)
    throw new Error(`these Debian packages are missing. Run once:  sudo ${command}`)
  say(`installing Debian packages: ${missing.join(', ')} …`)
  // Debian would create and start a cluster of its own at install.
  mkdirSync('/etc/postgresql-common', { recursive: true })
  const conf = '/etc/postgresql-common/createcluster.conf'
  const before = existsSync(conf) ? readFileSync(conf, 'utf8') : ''
  if (!/^create_main_cluster\s*=\s*false/m.test(before))
    writeFileSync(conf, `${before}\ncreate_main_cluster = false\n`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  await runToEnd('apt-get', ['update', '-qq'], { env })
  await runToEnd(
    'apt-get',
    ['install', '-y', '-qq', '--no-install-recommends', '-o', 'Dpkg::Options::=--force-confold', ...missing],
    { env },
  )
}

/** The folder of PostgreSQL's server programs, newest version first. */
export function postgresBin() {
  for (const version of ['18', '17', '16', '15', '14']) {
    const folder = `/usr/lib/postgresql/${version}/bin`
    if (existsSync(join(folder, 'postgres'))) return folder
  }
  return undefined
}
