import { openWearChannel, readMark, likelihood, symbolsOf, DEFAULT_MODEL } from '@ekrond/core/identify'
import { isRefusal } from '@ekrond/core/base/refusal'
import { beforeAll, describe, expect, it } from 'vitest'
import { seeded } from '../demo/list-numbers.ts'
import { band, calibration, worn, type Said } from './calibration.ts'

describe('none of these, by a trial of units that were held out', () => {
  let said: Said
  beforeAll(() => {
    said = calibration({ entries: 600, absent: 1000, present: 2500, features: 0, seed: 21 })
  })

  it('is said of most that the catalogue lacks, and hardly of any that it has', () => {
    const over = said.ofAbsent.filter((p) => p > 0.5).length / said.ofAbsent.length
    const under = said.ofPresent.filter((p) => p < 0.1).length / said.ofPresent.length
    expect(over).toBeGreaterThan(0.65)
    expect(under).toBeGreaterThan(0.97)
  })
  it.each([
    [0, 0.1],
    [0.1, 0.5],
    [0.5, 0.9],
    [0.9, 1.1],
  ])('is true as often as it says, from %d to %d', (low, high) => {
    const found = band(said, low, high)!
    expect(Math.abs(found.was - found.said)).toBeLessThan(0.03 + 2 * found.sigma)
    expect(found.share).toBeGreaterThan(0.005)
  })
})

describe('a mark as the channel leaves it', () => {
  it('comes out as often as the channel says, for a reading and its look-alike', () => {
    const random = seeded(3)
    const readings = Array.from({ length: 40_000 }, () => worn(random, 'K-41'))
    for (const reading of ['K-41', 'K-4?', 'K41', 'X-41', 'K-']) {
      const tokens = readMark(reading)
      if (isRefusal(tokens)) throw new Error(tokens.refused.why)
      const expected = likelihood(openWearChannel(tokens, DEFAULT_MODEL), symbolsOf('K-41'))
      const seen = readings.filter((one) => one === reading).length / readings.length
      expect(Math.abs(seen - expected), reading).toBeLessThan(3 * Math.sqrt(expected / readings.length))
    }
  })
})
