import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import {
  asOne,
  ENGINE_FEATURE,
  explain,
  nextLook,
  openCatalogue,
  ownId,
  rank,
  twoHalves,
  withAliases,
  type Numbered,
  type UnitSeen,
} from './index.ts'

const unit = (id: string, more: Partial<Numbered> = {}): Numbered => ({
  id,
  mark: id,
  maker: 'Orvane',
  weight: 1,
  features: { draft: 'down', throttleBoreMm: 31 },
  ...more,
})
const rows = [
  unit('K-4417-2', { aliases: ['K-3102', 'K-3102-1'] }),
  unit('K-4438-1', { features: { draft: 'down', throttleBoreMm: 31, [ENGINE_FEATURE]: 2.2 } }),
  unit('K-4438-2', { features: { draft: 'down', throttleBoreMm: 31, [ENGINE_FEATURE]: 3.6 } }),
]
const catalogue = openCatalogue(withAliases(rows))
const seen = (mark: string | null, more: Partial<UnitSeen> = {}): UnitSeen => ({
  marks: mark ? [mark] : [],
  maker: null,
  features: {},
  sigma: {},
  ...more,
})
const ranked = (of: UnitSeen) => {
  const answer = rank(catalogue, of)
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return { ...answer, ranking: asOne(answer.ranking) }
}

describe('a unit with an older number on it', () => {
  it('is found by either, and says which one it bears', () => {
    const old = ranked(seen('K-3102-1')).ranking[0]!
    expect(old).toMatchObject({ id: 'K-4417-2', bears: 'K-3102-1' })
    expect(old.p).toBeGreaterThan(0.8)
    const now = ranked(seen('K-4417-2')).ranking[0]!
    expect(now.id).toBe('K-4417-2')
    expect(now.bears).toBeUndefined()
  })
  it('stands once in the ranking, with all its numbers’ chances: its weight is not made larger by them', () => {
    const { ranking } = ranked(seen(null, { features: { draft: 'down' } }))
    expect(ranking.map(({ id }) => id).sort()).toEqual(['K-4417-2', 'K-4438-1', 'K-4438-2'])
    // Three units of one weight each, nothing tells them apart but what one of them lacks.
    for (const { p } of ranking) expect(p).toBeCloseTo(ranking[0]!.p, 1)
    const weights = withAliases(rows).filter(({ id }) => ownId(id) === 'K-4417-2')
    expect(weights.map(({ weight }) => weight)).toEqual([0.5, 0.25, 0.25])
  })
  it('an old number on the cover and today’s on the body are no two halves', () => {
    expect(twoHalves(catalogue, { cover: 'K-3102-1', body: 'K-4417-2' }, null)).toBeNull()
    expect(twoHalves(catalogue, { cover: 'K-3102-1', body: 'K-4438-1' }, null)).toMatchObject({
      upper: { id: 'K-4417-2' },
      lower: { id: 'K-4438-1' },
    })
  })
})

describe('the engine that it is said to come from', () => {
  const said = (litres: number) =>
    ranked(
      seen('K-4438-?', {
        features: { [ENGINE_FEATURE]: litres },
        sigma: { [ENGINE_FEATURE]: 0.08 * litres },
        doubted: [ENGINE_FEATURE],
      }),
    ).ranking
  it('tells two that differ by their last place, without ever being sure of it', () => {
    expect(said(2.2)[0]!.id).toBe('K-4438-1')
    expect(said(3.6)[0]!.id).toBe('K-4438-2')
    // Half believed: the other one keeps a chance worth a look.
    const other = said(2.2).find(({ id }) => id === 'K-4438-2')!
    expect(other.p).toBeGreaterThan(0.05)
  })
  it('is told in words, for and against', () => {
    const words = (litres: number, id: string) =>
      explain(said(litres).find((one) => one.id === id)!.evidence).map(({ text }) => text)
    expect(words(2.2, 'K-4438-1')).toContain('engine of 2.2 L fits')
    expect(words(2.2, 'K-4438-2')).toContain('this engine is 2.2 L, the number is for 3.6')
  })
  it('a mark that is read outweighs it', () => {
    const read = ranked(
      seen('K-4438-1', {
        features: { [ENGINE_FEATURE]: 3.6 },
        sigma: { [ENGINE_FEATURE]: 0.29 },
        doubted: [ENGINE_FEATURE],
      }),
    ).ranking
    expect(read[0]!.id).toBe('K-4438-1')
  })
  it('is no look that anybody could take', () => {
    const answer = rank(catalogue, seen('K-4438-?'))
    if (isRefusal(answer)) throw new Error('refused')
    expect(nextLook(catalogue, answer.posterior, seen('K-4438-?'))?.feature).not.toBe(ENGINE_FEATURE)
  })
})
