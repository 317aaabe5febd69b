import { describe, expect, it } from 'vitest'
import type { RunNote } from '../../log/index.ts'
import { rangeMixture } from '../../physics/range/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { learnMain, mainJetChange } from './learned.ts'

const problem = { family: 'plate', ref: { main: 1.15 }, now: {} } as const
const read = (lambda: number, band: 'wide open' | 'middle' | 'idle' = 'wide open'): RunNote => ({
  what: 'lambda',
  band,
  lambda,
})
const change = (of: string): RunNote => ({ what: 'change', of, way: 'leaner', expects: '' })
const main = change('main jet 1.15 to 1.10')

describe('what a run teaches of a main jet', () => {
  it('one reading around a change moves little against what is known', () => {
    // 2 ln(1.10/1.15) = −0.0889; the model: 0.97 × 0.9 of it, −0.0776 (the idle circuit's 3 % stay). Read: ln(0.90/0.985) = −0.0902.
    // Off by (−0.0902 + 0.0776)/−0.0889 = 0.142 with σ √2 × 0.03/0.0889 = 0.477; against 0 ± 0.1: 0.142 × 4.39/104.39.
    const learned = learnMain(problem, [[read(0.9), main, read(0.985)]])!
    expect(learned.by).toBeCloseTo(0.006, 3)
    expect(learned.sigma).toBeCloseTo(1 / Math.sqrt(104.39), 4)
    expect(learned.changes).toBe(1)
  })
  it('twenty of them move it by half, and narrow the curve', () => {
    const run = [read(0.9), main, read(0.985)]
    const learned = learnMain(
      problem,
      Array.from({ length: 20 }, () => run),
    )!
    expect(learned.by).toBeCloseTo(0.066, 2)
    const at = (mainOff?: typeof learned) => {
      const said = rangeMixture({
        ...problem,
        openings: [1],
        now: { main: 1.1 },
        ...(mainOff ? { mainOff } : {}),
      })
      if (isRefusal(said)) throw new Error(said.refused.why)
      return said
    }
    expect(at(learned).ratio[0]!).toBeLessThan(at().ratio[0]!)
    expect(at(learned).sigma[0]!).toBeLessThan(at().sigma[0]!)
  })
  it('one change at a time: something else between, another band or no reading before teach nothing', () => {
    expect(learnMain(problem, [[read(0.9), main, change('level 1 mm lower'), read(0.985)]])).toBeNull()
    expect(learnMain(problem, [[read(0.9), change('level 1 mm lower'), read(0.985)]])).toBeNull()
    expect(learnMain(problem, [[read(0.9, 'middle'), main, read(0.985)]])).toBeNull()
    expect(learnMain(problem, [[main, read(0.985)]])).toBeNull()
    // At idle the main jet has no say.
    expect(learnMain(problem, [[read(0.9, 'idle'), main, read(0.985, 'idle')]])).toBeNull()
  })
})

describe('a change of the run log', () => {
  it.each([
    ['Main jet 1.15 to 1.10', { from: 1.15, to: 1.1 }],
    ['main jets 1,30 → 1,35', { from: 1.3, to: 1.35 }],
    ['fitted main jet 1.15 mm to 1.12, plugs next', { from: 1.15, to: 1.12 }],
  ])('“%s” names its sizes', (of, sizes) => expect(mainJetChange(of)).toEqual(sizes))
  it.each(['main jet one size down', 'idle jet 0.45 to 0.42', 'main jet 1.15 to 1.15'])(
    '“%s” names none of the main jet',
    (of) => expect(mainJetChange(of)).toBeNull(),
  )
})
