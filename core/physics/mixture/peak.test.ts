import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { fitElectric } from '../choke/index.ts'
import { mixturePeak } from './index.ts'

const peak = (...given: Parameters<typeof mixturePeak>) => {
  const answer = mixturePeak(...given)
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return answer
}

describe('the idle’s peak', () => {
  const at = (t: number) => 900 - 60 * (t - 1.6) ** 2
  const samples = [0.75, 1.25, 1.75, 2.25, 2.75].map((t) => [t, at(t)] as const)
  it('is where the parabola is; the lean drop is inward of it on a fuel screw, outward on an air screw', () => {
    expect(peak(samples, 'fuel', 15)).toMatchObject({ peak: expect.closeTo(1.6, 6) as number, leaner: 'in' })
    expect(peak(samples, 'fuel', 15).leanDropAt).toBeCloseTo(1.1, 6)
    expect(peak(samples, 'air', 15).leanDropAt).toBeCloseTo(2.1, 6)
  })
  it('is not pulled aside by a side that falls faster', () => {
    const skewed = (t: number) => 900 - (t < 1.5 ? 40 : 90) * (t - 1.5) ** 2
    const readings = [0.5, 0.75, 1, 1.25, 1.75, 2, 2.25].map((t) => [t, skewed(t)] as const)
    expect(peak(readings, 'fuel', 10)).toMatchObject({
      by: 'two halves',
      peak: expect.closeTo(1.5, 5) as number,
    })
  })
  it('says which reading is missing', () => {
    const rising = [1, 1.5, 2, 2.5].map((t) => [t, 800 + 40 * t - 4 * (t - 1) ** 2] as const)
    expect(mixturePeak(rising, 'fuel', 10)).toMatchObject({
      refused: { input: 'samples', why: expect.stringContaining('further out') as string },
    })
  })
})

describe('an electric coil', () => {
  it('that would go to 1.2 reaches 95 % when the curve says, its stop only bounds it', () => {
    const x = (t: number) => (t <= 8 ? 0 : Math.min(1, 1.2 * (1 - Math.exp(-(t - 8) / 40))))
    const fit = fitElectric(Array.from({ length: 15 }, (_, i) => [i * 10, x(i * 10)] as const))
    if (isRefusal(fit)) throw new Error(fit.refused.why)
    // 8 − 40·ln(1 − 0.95/1.2) = 70.7 s
    expect(fit.secondsTo95).toBeCloseTo(70.75, 1)
    expect(fit.gain).toBeCloseTo(1.2, 3)
  })
})
