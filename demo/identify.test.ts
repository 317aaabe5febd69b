import { describe, expect, it } from 'vitest'
import { openCatalogue, rank, twoHalves, type Candidate } from '@ekrond/core/identify'
import { isRefusal } from '@ekrond/core/base/refusal'
import { models } from './catalogue.ts'

const library: Candidate[] = models().flatMap((model) =>
  model.listNumbers.map((item) => ({
    id: item.number,
    maker: model.maker,
    listNumber: item.number,
    mark: item.mark,
    weight: item.weight,
    features: item.features,
  })),
)
const catalogue = openCatalogue(library)
/** Small ones often bear no mark at all. */
const marked = library.filter((one) => one.mark !== '')
const best = (
  marks: string[],
  maker: string | null = null,
  features: Record<string, number | string> = {},
) => {
  const found = rank(catalogue, { marks, maker, features, sigma: {} })
  if (isRefusal(found)) throw new Error(found.refused.why)
  return found
}

describe('the library of 150, by its own marks', () => {
  it('each mark, read whole, puts its own list number first', () => {
    for (const { id, mark } of marked) {
      const { ranking } = best([mark])
      expect(ranking[0]!.id, mark).toBe(id)
      expect(ranking[0]!.p, mark).toBeGreaterThan(0.5)
    }
  })
  it('with one character unreadable it still stands among those that the rest of the mark fits', () => {
    for (const { id, mark } of marked)
      for (let i = 0; i < mark.length; i++) {
        if (mark[i] === '-') continue
        const worn = `${mark.slice(0, i)}?${mark.slice(i + 1)}`
        const fits = new RegExp(`^${worn.replace('?', '.')}$`)
        const likely = marked.filter((one) => fits.test(one.mark)).length
        expect(
          best([worn])
            .ranking.slice(0, likely)
            .map((one) => one.id),
          worn,
        ).toContain(id)
      }
  })
  it('the right bore never speaks against its own', () => {
    for (const { id, mark, features } of marked) {
      const bare = best([mark]).ranking.find((one) => one.id === id)!.p
      const measured = best([mark], null, { throttleBoreMm: Number(features.throttleBoreMm) })
      expect(measured.ranking[0]!.id, id).toBe(id)
      expect(measured.ranking[0]!.p, id).toBeGreaterThanOrEqual(bare - 1e-9)
    }
  })
  it('a bore two millimetres off raises the doubt whether it is any of these', () => {
    for (const { mark, features } of marked.filter((_, i) => i % 10 === 0)) {
      const right = best([mark], null, { throttleBoreMm: Number(features.throttleBoreMm) })
      const wrong = best([mark], null, { throttleBoreMm: Number(features.throttleBoreMm) + 2 })
      expect(wrong.pNone, mark).toBeGreaterThan(right.pNone)
    }
  })
  it('two halves are told where plate and base bear two list numbers of one maker, and only then', () => {
    const orvane = library.filter((one) => one.maker === 'Orvane')
    for (let i = 0; i + 7 < orvane.length; i += 5) {
      const [upper, lower] = [orvane[i]!, orvane[i + 7]!]
      expect(twoHalves(catalogue, { plate: upper.mark, base: lower.mark }, 'Orvane'), upper.id).toMatchObject(
        {
          upper: { id: upper.id },
          lower: { id: lower.id },
        },
      )
      expect(twoHalves(catalogue, { plate: upper.mark, base: upper.mark }, 'Orvane'), upper.id).toBeNull()
      expect(twoHalves(catalogue, { plate: upper.mark }, 'Orvane'), upper.id).toBeNull()
    }
  })
})
