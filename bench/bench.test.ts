import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { computations } from './cases.ts'
import { runIdentify } from './identify.ts'

interface Sample {
  cases: Record<string, unknown>[]
  /** worked by hand or from an independent source, with how many digits they are good for */
  wants: Record<string, unknown>[]
  working: string[]
}
const folder = join(import.meta.dirname, 'samples')
const samples = readdirSync(folder).filter((file) => file.endsWith('.json') && !file.startsWith('identify'))

/** Figures are as good as they were worked; everything else is as it is. */
function near(answer: unknown, want: unknown, digits: number, where: string): void {
  if (typeof want === 'number') expect(answer, where).toBeCloseTo(want, digits)
  else if (Array.isArray(want)) {
    expect(answer, where).toHaveLength(want.length)
    want.forEach((one, i) => near((answer as unknown[])[i], one, digits, `${where} ${i}`))
  } else if (typeof want === 'object' && want !== null)
    for (const [name, one] of Object.entries(want))
      near((answer as Record<string, unknown>)[name], one, digits, `${where} ${name}`)
  else expect(answer, where).toEqual(want)
}

describe('the case runner’s samples, worked independently', () => {
  it.each(samples)('%s', (file) => {
    const sample = JSON.parse(readFileSync(join(folder, file), 'utf8')) as Sample
    const compute = computations[file.replace(/\.json$/, '')]!
    expect(sample.cases).toHaveLength(sample.wants.length)
    sample.cases.forEach((given, i) => {
      const answer = compute(given) as Record<string, unknown>
      for (const [name, want] of Object.entries(sample.wants[i]!))
        if (name === 'refused') expect((answer.refused as { input: string }).input).toBe(want)
        else near(answer[name], want, name === 'posterior' ? 9 : 3, `${file} case ${i} ${name}`)
    })
  })
  it('cover every computation', () =>
    expect(samples.map((file) => file.replace(/\.json$/, '')).sort()).toEqual(
      Object.keys(computations).sort(),
    ))
})

describe('identify on files', () => {
  it('ranks, says none, and names the next look', () => {
    const catalogue = JSON.parse(readFileSync(join(folder, 'identify-catalogue.json'), 'utf8')) as Record<
      string,
      unknown
    >[]
    const queries = JSON.parse(readFileSync(join(folder, 'identify-queries.json'), 'utf8')) as Record<
      string,
      unknown
    >[]
    const { answers } = runIdentify(catalogue, queries, {}) as {
      answers: { ranking: { id: string; p: number }[]; pNone: number; nextLook: { feature: string } | null }[]
    }
    expect(answers[0]!.ranking[0]!.id).toBe('a')
    expect(answers[0]!.nextLook).toMatchObject({ feature: 'throttleBoreMm' })
    expect(answers[1]!.pNone).toBeGreaterThan(0.9)
    for (const answer of answers)
      expect(answer.ranking.reduce((sum, r) => sum + r.p, answer.pNone)).toBeCloseTo(1, 9)
  })
})

describe('the command', () => {
  const run = (...args: string[]) =>
    spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'bench/run.ts', ...args], {
      encoding: 'utf8',
      cwd: join(import.meta.dirname, '..'),
    })
  it('writes answers in the order of the cases, refusals in their place', () => {
    const out = join(mkdtempSync(join(tmpdir(), 'ekrond-bench-')), 'out.json')
    execFileSync(
      process.execPath,
      [
        'node_modules/tsx/dist/cli.mjs',
        'bench/run.ts',
        'measure.parse',
        '--in',
        'bench/samples/measure.parse.json',
        '--out',
        out,
      ],
      { cwd: join(import.meta.dirname, '..') },
    )
    const { answers } = JSON.parse(readFileSync(out, 'utf8')) as { answers: unknown[] }
    expect(answers[0]).toEqual({ mm: 14.5 })
    expect(answers.at(-1)).toMatchObject({ refused: { input: 'text' } })
  }, 30_000)
  it('a broken file is one sentence and exit status 2', () => {
    const broken = join(mkdtempSync(join(tmpdir(), 'ekrond-bench-')), 'in.json')
    writeFileSync(broken, '{"cases":[')
    const done = run('measure.parse', '--in', broken)
    expect(done.status).toBe(2)
    expect(done.stderr.trim().split('\n')).toHaveLength(1)
    expect(run('measure.guess', '--in', broken).status).toBe(2)
  }, 30_000)
})
