import { readFileSync, writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { calibrationLines } from './calibration.ts'
import { computations } from './cases.ts'
import { runIdentify } from './identify.ts'
import { queryLines } from './queries.ts'
import { shopBench } from './shop.ts'
import { table } from './table.ts'

/** `npm run --silent bench -- NAME --in cases.json --out answers.json`; alone it prints the side-by-side table. */
async function main(): Promise<number> {
  let parsed
  try {
    parsed = parseArgs({
      allowPositionals: true,
      options: {
        in: { type: 'string' },
        out: { type: 'string' },
        catalogue: { type: 'string' },
        queries: { type: 'string' },
        jobs: { type: 'string' },
        entries: { type: 'string' },
        features: { type: 'string' },
        units: { type: 'string' },
        model: { type: 'string' },
      },
    })
  } catch (error) {
    return fail(`The call cannot be read: ${(error as Error).message}`)
  }
  const [name, ...more] = parsed.positionals
  const { values } = parsed
  if (name === undefined) {
    console.log(await table())
    console.log()
    return shop(values.jobs, values.entries)
  }
  if (name === 'shop') return shop(values.jobs, values.entries)
  if (name === 'queries') {
    for (const line of await queryLines({
      listNumbers: Number(values.units ?? 20_000),
      jobs: Number(values.jobs ?? 5000),
      entries: Number(values.entries ?? 120),
      photographMegabytes: 0,
    }))
      console.log(line)
    return 0
  }
  if (name === 'calibration') return calibrated(values.entries, values.features, values.units)
  if (more.length) return fail(`One computation at a time: ${name} and then ${more.join(' ')} were named.`)
  try {
    if (name === 'identify') {
      const result = runIdentify(
        list(values.catalogue, 'catalogue'),
        list(values.queries, 'queries'),
        values.model ? (readJson(values.model, 'model') as Record<string, unknown>) : {},
      )
      write(values.out, result)
      return 0
    }
    const compute = computations[name]
    if (!compute)
      return fail(
        `There is no computation ${name}. There are identify, calibration, shop, queries, ${Object.keys(computations).join(', ')}.`,
      )
    const file = readJson(values.in, 'in') as { cases?: unknown }
    if (!Array.isArray(file.cases)) return fail(`${values.in}: the file must hold {"cases":[…]}.`)
    write(values.out, {
      answers: file.cases.map((given) => compute((given ?? {}) as Record<string, unknown>)),
    })
    return 0
  } catch (error) {
    return fail((error as Error).message)
  }
}

/** The whole shop's figures; fewer jobs or entries for a quick look. */
async function shop(jobs = '5000', entries = '300'): Promise<number> {
  const size = { jobs: Number(jobs), entries: Number(entries), windows: 50 }
  if (!Number.isInteger(size.jobs) || !Number.isInteger(size.entries) || size.jobs < 100 || size.entries < 60)
    return fail('Give --jobs from 100 on and --entries from 60 on, in whole numbers.')
  const { ensureBuild } = await import('../tools/build.mjs')
  await ensureBuild()
  for (const line of await shopBench(size)) console.log(line)
  return 0
}

/** How often 'none of these' is true, by what it says; more units tell it more narrowly. */
function calibrated(entries = '20000', features = '4', units = '20000'): number {
  const size = { entries: Number(entries), features: Number(features), present: Number(units) }
  if (
    !Object.values(size).every((n) => Number.isInteger(n) && n >= 0) ||
    size.entries < 100 ||
    size.present < 100
  )
    return fail('Give --entries and --units from 100 on and --features from 0 on, in whole numbers.')
  for (const line of calibrationLines({ ...size, absent: Math.ceil(size.present / 4), seed: 11 }))
    console.log(line)
  return 0
}

function readJson(path: string | undefined, option: string): unknown {
  if (!path) throw new Error(`Name the file with --${option}.`)
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    throw new Error(`${path} cannot be read.`)
  }
  try {
    const value: unknown = JSON.parse(text)
    if (typeof value !== 'object' || value === null) throw new Error()
    return value
  } catch {
    throw new Error(`${path} is no JSON, or was cut off.`)
  }
}

function list(path: string | undefined, option: string): Record<string, unknown>[] {
  const value = readJson(path, option)
  const found = Array.isArray(value) ? value : (value as Record<string, unknown>)[option]
  if (!Array.isArray(found)) throw new Error(`${path} must hold an array.`)
  return found as Record<string, unknown>[]
}

function write(path: string | undefined, value: unknown): void {
  const text = JSON.stringify(value, null, 1) + '\n'
  if (path) writeFileSync(path, text)
  else process.stdout.write(text)
}

function fail(sentence: string): number {
  console.error(sentence)
  return 2
}

process.exitCode = await main()
