// The production build: pages by Vite, precompressed; the server as one bundle. Skipped where nothing changed.
import { createHash } from 'node:crypto'
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import { extname, join, relative } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { root, say } from './install.mjs'
import { runToEnd } from './processes.mjs'

const SOURCES = [
  'core',
  'contract',
  'server',
  'web',
  'demo',
  'instruments',
  'tools/build.mjs',
  'package-lock.json',
]
const out = join(root, 'build')

export async function ensureBuild() {
  const hash = sourceHash()
  const stamp = join(out, 'stamp')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  say('building …')
  keepEarlier()
  rmSync(out, { recursive: true, force: true })
  mkdirSync(out, { recursive: true })
  await runToEnd(
    process.execPath,
    [
      join(root, 'node_modules/vite/bin/vite.js'),
      'build',
      '--config',
      'web/vite.config.ts',
      '--logLevel',
      'warn',
    ],
    // Whoever calls: a test runner's own NODE_ENV would make the pages a development build.
    { cwd: root, env: { ...process.env, NODE_ENV: 'production', VITE_EKROND_BUILD: hash.slice(0, 12) } },
  )
  precompress(join(out, 'web'))
  await bundleServer()
  writeFileSync(stamp, hash)
}

/** What earlier builds had stays for a day: a window that was opened on one of them still finds its parts. */
const earlier = join(root, 'node_modules/.cache/ekrond-pages/assets')
const DAY_MS = 24 * 3600_000

function keepEarlier() {
  mkdirSync(earlier, { recursive: true })
  for (const file of walk(earlier)) if (Date.now() - statSync(file).mtimeMs > DAY_MS) rmSync(file)
  const was = join(out, 'web/assets')
  for (const file of walk(was)) {
    const kept = join(earlier, relative(was, file))
    cpSync(file, kept)
    utimesSync(kept, new Date(), new Date())
  }
}

/** Packages of the registry that every start of the server needs. */
const EVERY_START = new Set([
  '@fastify/helmet',
  '@fastify/static',
  '@fastify/swagger',
  '@fastify/websocket',
  '@valibot/to-json-schema',
  'csv-stringify/sync',
  'fastify',
  'pg',
  'valibot',
  'yauzl',
  'yazl',
])

async function bundleServer() {
  const esbuild = await import('esbuild')
  await esbuild.build({
    entryPoints: {
      server: join(root, 'server/main.ts'),
      'heavy-thread': join(root, 'server/heavy-thread.ts'),
      instruments: join(root, 'instruments/main.ts'),
    },
    outdir: out,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    // What only some requests need is loaded with the first of them.
    splitting: true,
    chunkNames: 'server-parts/[name]-[hash]',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    // Our own packages go in, and what every start needs: read from 600 files of the registry it takes twice the time. The rest stays
    // where it is: it is loaded by what asks for it, or has files of its own.
    plugins: [
      {
        name: 'registry-stays-outside',
        setup: (build) =>
          build.onResolve({ filter: /^[^./]/ }, ({ path, importer }) =>
            path.startsWith('@ekrond/') ||
            path.startsWith('/') ||
            importer.includes('node_modules') ||
            EVERY_START.has(path)
              ? undefined
              : { path, external: true },
          ),
      },
    ],
    // Packages that still ask for others by `require` find Node's.
    banner: {
      js: "import { createRequire as requiring } from 'node:module'\nconst require = requiring(import.meta.url)",
    },
    logLevel: 'warning',
  })
}

function precompress(folder) {
  for (const file of walk(folder)) {
    if (!['.js', '.css', '.html', '.svg', '.json'].includes(extname(file))) continue
    const bytes = readFileSync(file)
    if (bytes.length < 1024) continue
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }))
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
    )
  }
}

function sourceHash() {
  const hash = createHash('sha256')
  for (const source of SOURCES)
    for (const file of walk(join(root, source)).sort()) {
      if (/node_modules|\.test\.tsx?$/.test(file)) continue
      hash.update(relative(root, file)).update(readFileSync(file))
    }
  return hash.digest('hex')
}

function walk(path) {
  if (!existsSync(path)) return []
  if (!statSync(path).isDirectory()) return [path]
  return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
    entry.name === 'node_modules' ? [] : walk(join(path, entry.name)),
  )
}
