import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { learnRatio, ownRatio, springError } from './index.ts'

const learned = (known: Parameters<typeof learnRatio>[0]) => {
  const answer = learnRatio(known)
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return answer
}
const first = { before: 11.2, bend: 0.45, bendSigma: 0.15, after: 14.6, readingSigma: 0 }

describe('a ratio learned by bending', () => {
  it('11.2 became 14.6 by a bend of about 0.45: 7.6 ± 2.5; with a second try 7.4 ± 1.8', () => {
    expect(learned({ sense: 1, target: 13.5, tries: [first] })).toMatchObject({
      k: expect.closeTo(7.56, 2) as number,
      sigmaK: expect.closeTo(2.52, 2) as number,
      halfFirst: true,
    })
    const second = { before: 14.6, bend: -0.15, bendSigma: 0.05, after: 13.5, readingSigma: 0 }
    const both = learned({ sense: 1, target: 13.5, tries: [first, second] })
    expect(both.k).toBeCloseTo(7.44, 2)
    expect(both.sigmaK).toBeCloseTo(1.75, 2)
    expect(both.nextBend).toBeCloseTo(0, 9)
  })
  it('each try makes it surer, and the bend of a third is said with its own uncertainty', () => {
    let before = Infinity
    for (let n = 1; n <= 5; n++) {
      const { sigmaK, k, nextBend, nextSigma } = learned({
        sense: 1,
        target: 12,
        tries: Array(n).fill(first) as (typeof first)[],
      })
      expect(sigmaK).toBeLessThan(before)
      expect(nextSigma / Math.abs(nextBend)).toBeCloseTo(sigmaK / k, 12)
      before = sigmaK
    }
  })
  it('asks which way it was bent where the reading went the other way', () => {
    expect(learnRatio({ sense: -1, target: 13.5, tries: [first] })).toMatchObject({
      refused: { input: 'tries', why: expect.stringContaining('Which way') as string },
    })
  })
})

describe('a needle with a spring', () => {
  const needle = { floatMass: 9, gravityArm: 27, tangArm: 6, measureArm: 46, preload: 0.1, rate: 0.15 }
  it('0.40 N on a preload of 0.10 push the pin in by 1.98 mm: the reading is 15 mm false', () => {
    const error = springError(needle)
    if (isRefusal(error)) throw new Error(error.refused.why)
    expect(error.falseReading).toBeCloseTo(15.19, 2)
    // acos(0.1/0.39717) = 75.4°.
    expect((error.tilt * 180) / Math.PI).toBeCloseTo(75.42, 2)
  })
  it('a spring that is stronger than the float is left alone', () =>
    expect(springError({ ...needle, preload: 0.5 })).toEqual({ falseReading: 0, tilt: 0 }))
})

describe('a float with a sheet that was bent here', () => {
  // Its arms say 7 mm of reading to a mm at the tang.
  it('goes by its sheet until it was bent', () => expect(ownRatio(7, 1, [])).toBeNull())
  it('moves toward what its own bend showed, by how sure that is', () => {
    // 0.20 ±0.01 at the tang moved it 1.8 ±0.14: k = 9.0, σ = 9·√((0.1414/1.8)² + 0.05²) = 0.838. The sheet: 7 ±0.56.
    const own = ownRatio(7, 1, [{ before: 12, bend: 0.2, bendSigma: 0.01, after: 13.8 }])!
    const weights = [1 / 0.56 ** 2, 1 / 0.838 ** 2] as const
    expect(own.k).toBeCloseTo((7 * weights[0] + 9 * weights[1]) / (weights[0] + weights[1]), 2)
    expect(own).toMatchObject({ tries: 1, sheetK: 7, another: false })
  })
  it('a bend by eye hardly moves it', () => {
    const own = ownRatio(7, 1, [{ before: 12, bend: 0.3, after: 15 }])!
    expect(own.k).toBeGreaterThan(7)
    expect(own.k).toBeLessThan(7.5)
  })
  it('says that it is another float only where that is sure', () => {
    const measured = [0.2, -0.1, 0.3].map((bend, i) => ({
      before: 12 + i,
      bend,
      bendSigma: 0.01,
      after: 12 + i + bend * 14,
    }))
    expect(ownRatio(7, 1, measured)).toMatchObject({ tries: 3, another: true })
    expect(ownRatio(7, 1, [{ before: 12, bend: 0.2, after: 14.8 }])).toMatchObject({ another: false })
  })
  it('a bend whose reading went the other way says nothing of the ratio', () =>
    expect(ownRatio(7, 1, [{ before: 12, bend: 0.2, after: 11.2 }])).toBeNull())
})
