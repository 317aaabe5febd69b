import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import { likelihood, openWearChannel } from './channel.ts'
import { readMark, symbolsOf, type Token } from './mark.ts'
import type { Candidate } from './candidate.ts'
import { openCatalogue } from './catalogue.ts'
import { absentFor, DEFAULT_MODEL, rank, type UnitSeen } from './rank.ts'

let seed = 11
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const next = (n: number) => Math.floor(random() * n)
const LETTERS = 'ABCDEFGHKLMNPRSTUW'
const MAKERS = ['Orvane', 'Besk', 'Quillard']

/** Numbers as makers give them: families with a beginning of their own, lengths from 5 to 8, many that differ in one figure. */
const candidates: Candidate[] = Array.from({ length: 2400 }, (_, i) => {
  const family = next(40)
  const mark = `${LETTERS[family % 18]}-${10 + (family % 37)}${next(random() < 0.5 ? 10 : 90)}${random() < 0.6 ? `-${1 + next(9)}` : ''}`
  return {
    id: String(i),
    maker: MAKERS[family % 3]!,
    mark,
    weight: 1 + next(9),
    features: { throttleBoreMm: 14 + (family % 20), barrels: 1 + (family % 2) },
  }
})
const catalogue = openCatalogue(candidates)

const tokensOf = (mark: string): Token[] => {
  const tokens = readMark(mark)
  if (isRefusal(tokens)) throw new Error(tokens.refused.why)
  return tokens
}

/** The weights of all candidates by the definition: prior × each mark's likelihood × maker × bore, one after the other. */
function byDefinition(seen: UnitSeen): number[] {
  const channels = seen.marks.map((mark) => openWearChannel(tokensOf(mark), DEFAULT_MODEL))
  const bore = seen.features.throttleBoreMm as number | undefined
  return candidates.map(({ mark, maker, weight, features }) => {
    let p = weight
    for (const channel of channels) p *= likelihood(channel, symbolsOf(mark))
    if (seen.maker) p *= maker === seen.maker ? 0.97 : 0.03 / 2
    if (bore !== undefined) p *= Math.exp(-(((bore - Number(features.throttleBoreMm)) / 0.15) ** 2) / 2)
    return p
  })
}

function worn(mark: string): string {
  return [...mark]
    .map((sign) => {
      const luck = random()
      if (luck < 0.2) return '?'
      if (luck < 0.26) return sign === '1' ? '7' : sign === '8' ? '[38]' : sign
      if (luck < 0.29) return ''
      return sign
    })
    .join('')
}

describe('a large catalogue, searched down its tree', () => {
  it('answers as going through all of it does, but for what it says that it left out', () => {
    for (let n = 0; n < 120; n++) {
      const truth = candidates[next(candidates.length)]!
      const marks = [worn(truth.mark)]
      if (random() < 0.2) marks.push(worn(truth.mark))
      if (random() < 0.15) marks[0] = `${marks[0]!.slice(0, 3)}…`
      const seen: UnitSeen = {
        marks,
        maker: random() < 0.5 ? truth.maker : null,
        features:
          random() < 0.5
            ? { throttleBoreMm: Number(truth.features.throttleBoreMm) + (random() - 0.5) * 0.2 }
            : {},
      }
      const ranked = rank(catalogue, seen)
      if (isRefusal(ranked)) throw new Error(ranked.refused.why)
      const exact = byDefinition(seen)
      const total = exact.reduce((a, b) => a + b, 0)
      // Among the candidates: each one's share of what is not 'none of these'.
      const known = 1 - ranked.pNone
      expect(ranked.lost).toBeLessThanOrEqual(4e-3)
      const heaviest = exact.reduce((best, p, i) => (p > exact[best]! ? i : best), 0)
      expect(ranked.posterior[heaviest]! / known).toBeCloseTo(exact[heaviest]! / total, 2)
      const off = exact.reduce((sum, p, i) => sum + Math.abs(p / total - ranked.posterior[i]! / known), 0)
      expect(off, `${marks.join(' and ')}`).toBeLessThanOrEqual(0.012)
      expect(exact[Number(ranked.ranking[0]!.id)]).toBeCloseTo(exact[heaviest]!, 12)
    }
  })

  it('a reading that no mark of the catalogue can have become says the same of every one', () => {
    const ranked = rank(catalogue, { marks: ['A'.repeat(60)], features: {} })
    if (isRefusal(ranked)) throw new Error(ranked.refused.why)
    const weight = candidates.reduce((sum, one) => sum + one.weight, 0)
    const share = ranked.posterior[0]! / (1 - ranked.pNone)
    expect(share).toBeCloseTo(candidates[0]!.weight / weight, 9)
  })

  it('of nothing but question marks the longer numbers are not the likelier ones', () => {
    const ranked = rank(catalogue, { marks: ['???????'], features: {} })
    if (isRefusal(ranked)) throw new Error(ranked.refused.why)
    expect(candidates[Number(ranked.ranking[0]!.id)]!.mark).toHaveLength(7)
  })

  it('an empty catalogue has nothing to rank and says none of these', () => {
    const ranked = rank(openCatalogue([]), { marks: ['K-44'], features: {} })
    if (isRefusal(ranked)) throw new Error(ranked.refused.why)
    expect(ranked.ranking).toEqual([])
    expect(ranked.pNone).toBe(1)
  })

  it('the only list number of a library is not the likeliest for want of others', () => {
    const one = openCatalogue([
      { id: 'HK-7', maker: 'Besk', mark: 'HK7', weight: 1, features: { throttleBoreMm: 16.2 } },
    ])
    const model = { ...DEFAULT_MODEL, absent: absentFor(1) }
    // 5/11 before anything is seen; a hundred and fifty list numbers leave the model's own three in a hundred.
    expect(model.absent).toBeCloseTo(0.4545, 4)
    expect(absentFor(0)).toBe(0.5)
    expect(absentFor(200)).toBe(0.03)
    const strange = rank(one, { marks: ['K-4417'], features: {} }, model)
    const known = rank(one, { marks: ['HK7'], features: {} }, model)
    if (isRefusal(strange) || isRefusal(known)) throw new Error('refused')
    expect(strange.pNone).toBeGreaterThan(0.9)
    expect(known.pNone).toBeLessThan(0.6)
  })
})
