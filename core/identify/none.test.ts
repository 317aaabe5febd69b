import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import { openCatalogue, rank, type Candidate } from './index.ts'

/** Twelve families of a maker each: their features come together, a hundred marks of each are in the library and one that is not. */
const FAMILIES = Array.from({ length: 12 }, (_, f) => ({
  maker: `M${f}`,
  letter: 'ABCDEFGHKLMN'[f]!,
  features: {
    draft: ['down', 'side', 'up'][f % 3]!,
    barrels: [1, 2, 4][(f >> 1) % 3]!,
    chokeKind: ['coil', 'cable', 'lever'][(f >> 2) % 3]!,
    throttleBoreMm: 20 + f * 1.7,
    venturiMm: 16 + f * 1.4,
    flangeBoltSpacingMm: 48 + f * 4,
  },
}))
const of = (f: number, n: number): Candidate => {
  const { maker, letter, features } = FAMILIES[f]!
  return {
    id: `${f}/${n}`,
    maker,
    mark: `${letter}-${String((n * 7919 + f * 104_729) % 100_000).padStart(5, '0')}`,
    weight: 1,
    features,
  }
}
const library = openCatalogue(FAMILIES.flatMap((_, f) => Array.from({ length: 100 }, (__, n) => of(f, n))))
const pNone = ({ mark, maker, features }: Candidate, names: readonly string[]) => {
  const seen = rank(library, {
    marks: [mark],
    maker,
    features: Object.fromEntries(names.map((name) => [name, features[name]!])),
  })
  if (isRefusal(seen)) throw new Error(seen.refused.why)
  return seen.pNone
}
const ALL = ['draft', 'barrels', 'chokeKind', 'throttleBoreMm', 'venturiMm', 'flangeBoltSpacingMm']

describe('none of these', () => {
  it('is likelier than not for a number that the library lacks, however much of its family was seen on it', () => {
    for (const names of [[], ALL.slice(0, 2), ALL]) {
      const said = FAMILIES.map((_, f) => pNone(of(f, 1000), names)).sort((a, b) => a - b)
      expect(said[6], names.join()).toBeGreaterThan(0.5)
    }
  })
  it('is below a tenth for those that are there', () => {
    for (const names of [[], ALL.slice(0, 2), ALL])
      for (const f of FAMILIES.keys())
        expect(pNone(of(f, 41), names), `${f} ${names.join()}`).toBeLessThan(0.1)
  })
  it('features that go together in a family do not speak against a unit of it that is new', () => {
    // One by one, six features of a family are as rare as 1/3 · 1/3 · 1/3 and three bores; together they are one family in twelve.
    const few = pNone(of(3, 1000), ALL.slice(0, 1))
    const many = pNone(of(3, 1000), ALL)
    expect(many).toBeGreaterThan(few * 0.8)
  })
})
