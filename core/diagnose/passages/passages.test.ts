import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { diagnose, nextBlow, type Blow, type BranchMap } from './index.ts'
import type { Branch } from '../../unit/passages/index.ts'

/** By the definition: every set of blocked branches, weighed. */
function bySets(
  { branches }: BranchMap,
  tests: readonly Blow[],
  error: number,
): Record<string, number> | null {
  const mass = Object.fromEntries(branches.map(({ id }) => [id, 0]))
  let total = 0
  for (let set = 0; set < 1 << branches.length; set++) {
    const open = branches.filter((_, i) => !(set & (1 << i)))
    const reach = (from: string) => {
      const seen = new Set([from])
      for (let size = 0; size !== seen.size;) {
        size = seen.size
        for (const { from: a, to: b } of open) {
          if (seen.has(a)) seen.add(b)
          if (seen.has(b)) seen.add(a)
        }
      }
      return seen
    }
    let weight = branches.reduce((w, { prior }, i) => w * (set & (1 << i) ? prior : 1 - prior), 1)
    for (const test of tests) {
      const there = reach(test.in)
      for (const port of test.open) weight *= there.has(port) ? 1 - error : error
      for (const port of test.shut) weight *= there.has(port) ? error : 1 - error
    }
    total += weight
    branches.forEach(({ id }, i) => set & (1 << i) && (mass[id]! += weight))
  }
  return total > 0 ? Object.fromEntries(branches.map(({ id }) => [id, mass[id]! / total])) : null
}

const branch = (id: string, from: string, to: string, prior = 0.1): Branch => ({ id, from, to, prior })

describe('which passage is blocked', () => {
  it('one drilling, worked by hand: seen shut', () => {
    const map = { branches: [branch('a', 'x', 'y', 0.2)], ports: ['x', 'y'] }
    // 0.2·0.99 against 0.8·0.01.
    const result = diagnose(map, [{ in: 'x', open: [], shut: ['y'] }])
    expect(isRefusal(result) ? null : result.a).toBeCloseTo(0.198 / 0.206, 12)
  })
  it('two in a row share the blame by their priors; a second look in the middle settles it', () => {
    const map = {
      branches: [branch('wide', 'x', 'm', 0.02), branch('narrow', 'm', 'y', 0.2)],
      ports: ['x', 'm', 'y'],
    }
    const shut = [{ in: 'x', open: [], shut: ['y'] }]
    const first = diagnose(map, shut) as Record<string, number>
    expect(first.narrow! / first.wide!).toBeCloseTo(10, 1)
    const second = diagnose(map, [...shut, { in: 'x', open: ['m'], shut: [] }]) as Record<string, number>
    expect(second.wide).toBeLessThan(0.01)
    expect(second.narrow).toBeGreaterThan(0.95)
  })
  it('beside one another air finds the other way: nothing is blamed', () => {
    const map = { branches: [branch('a', 'x', 'y', 0.3), branch('b', 'x', 'y', 0.3)], ports: ['x', 'y'] }
    const result = diagnose(map, [{ in: 'x', open: ['y'], shut: [] }]) as Record<string, number>
    // P(a | not both) nearly: 0.3·0.7/(1 − 0.09).
    expect(result.a).toBeCloseTo(0.231, 2)
  })
  it('a branch that no test can reach keeps its prior', () => {
    const map = {
      branches: [branch('a', 'x', 'y'), branch('far', 'p', 'q', 0.37), branch('dead', 'y', 'end', 0.4)],
      ports: ['x', 'y'],
    }
    const result = diagnose(map, [{ in: 'x', open: [], shut: ['y'] }]) as Record<string, number>
    expect(result.far).toBeCloseTo(0.37, 12)
    expect(result.dead).toBeCloseTo(0.4, 12)
  })
  it('equals the sum over all sets, on random maps with rings, doubles and dead ends', () => {
    const places = ['a', 'b', 'c', 'd', 'e', 'f']
    const arb = fc.record({
      branches: fc.array(
        fc.record({
          from: fc.constantFrom(...places),
          to: fc.constantFrom(...places),
          prior: fc.double({ min: 0.01, max: 0.9, noNaN: true }),
        }),
        { minLength: 1, maxLength: 10 },
      ),
      looks: fc.array(
        fc.tuple(fc.constantFrom('a', 'b', 'c', 'd'), fc.constantFrom('a', 'b', 'c', 'd'), fc.boolean()),
        { maxLength: 6 },
      ),
    })
    fc.assert(
      fc.property(arb, ({ branches, looks }) => {
        const map = {
          branches: branches.map((one, i) => ({ id: `b${i}`, ...one })),
          ports: ['a', 'b', 'c', 'd'],
        }
        const tests = looks
          .filter(([from, port]) => from !== port)
          .map(([from, port, open]): Blow => ({
            in: from,
            open: open ? [port] : [],
            shut: open ? [] : [port],
          }))
        const got = diagnose(map, tests) as Record<string, number>
        const want = bySets(map, tests, 0.01)!
        for (const { id } of map.branches) expect(got[id]).toBeCloseTo(want[id]!, 9)
      }),
      { numRuns: 300 },
    )
  })
  it('looks that never err and contradict each other are refused; with errors they are weighed', () => {
    const map = { branches: [branch('a', 'x', 'y')], ports: ['x', 'y'] }
    const tests = [
      { in: 'x', open: ['y'], shut: [] },
      { in: 'x', open: [], shut: ['y'] },
    ]
    expect(diagnose(map, tests, 0)).toMatchObject({ refused: { input: 'tests' } })
    expect((diagnose(map, tests) as Record<string, number>).a).toBeCloseTo(0.1, 9)
  })
  it('refuses what cannot be, by name', () => {
    const map = { branches: [branch('a', 'x', 'y')], ports: ['x', 'y'] }
    const input = (m: BranchMap, tests: Blow[] = [], error = 0.01) => {
      const result = diagnose(m, tests, error)
      return isRefusal(result) ? result.refused.input : 'none'
    }
    expect(input({ ...map, branches: [branch('a', 'x', 'y'), branch('a', 'y', 'z')] })).toBe('branches')
    expect(input({ ...map, branches: [branch('a', 'x', 'y', 1.2)] })).toBe('branches')
    expect(input({ ...map, ports: ['x', 'x'] })).toBe('ports')
    expect(input(map, [], 0.5)).toBe('error')
    expect(input(map, [{ in: 'x', open: ['z'], shut: [] }])).toBe('tests')
    expect(input(map, [{ in: 'x', open: ['x'], shut: [] }])).toBe('tests')
  })
})

describe('which blow comes next', () => {
  const chain = {
    branches: [branch('a', 'x', 'm', 0.3), branch('b', 'm', 'y', 0.3), branch('c', 'm', 'z', 0.02)],
    ports: ['x', 'y', 'z'],
  }
  it('one drilling: the gain is the entropy less the look’s own error', () => {
    const map = { branches: [branch('a', 'x', 'y', 0.5)], ports: ['x', 'y'] }
    const look = nextBlow(map, [])
    const h = (p: number) => -p * Math.log2(p) - (1 - p) * Math.log2(1 - p)
    expect(look).toMatchObject({ in: 'x', watch: ['y'] })
    expect(isRefusal(look) ? 0 : look!.gain).toBeCloseTo(1 - h(0.01), 9)
  })
  it('watches two where two tell more, and nothing where all is known', () => {
    // From z the two likely ones are seen each by itself; from x the second only behind the first.
    expect(nextBlow(chain, [])).toMatchObject({ in: 'z', watch: ['x', 'y'] })
    expect(nextBlow(chain, [], 0.01, 1)).toMatchObject({ watch: ['y'] })
    const sure = { branches: [branch('a', 'x', 'y', 0), branch('b', 'y', 'z', 1)], ports: ['x', 'y', 'z'] }
    expect(nextBlow(sure, [])).toBeNull()
  })
  it('after a test it asks another', () => {
    const after = nextBlow(chain, [{ in: 'x', open: ['z'], shut: ['y'] }])
    expect(isRefusal(after) || !after ? 0 : after.gain).toBeLessThan(0.3)
  })
})
