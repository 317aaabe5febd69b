import { describe, expect, it } from 'vitest'
import { airPressure, altitudeWords, atAltitude, jetFactor, type AirAndFuel } from './index.ts'

describe('altitude', () => {
  // The standard atmosphere's own table: 84.56 kPa at 1,500 m, 79.50 at 2,000 m, of 101.325 at the sea.
  it('pressure as the standard atmosphere has it', () => {
    expect(airPressure(0)).toBe(101.325)
    expect(airPressure(1500)).toBeCloseTo(84.56, 1)
    expect(airPressure(2000)).toBeCloseTo(79.5, 1)
  })
  it('richer by one over the root; area by the root, bore by its root', () => {
    const at = atAltitude(1500)
    expect(at.richer).toBeCloseTo(0.0947, 3)
    expect(at.area).toBeCloseTo(0.9135, 3)
    expect(at.bore).toBeCloseTo(0.9558, 3)
    expect(atAltitude(-300).richer).toBeLessThan(0)
  })
})

describe('what it does to the jets, in words', () => {
  it('stands beside the altitude that was typed, and not where it matters to nobody', () => {
    expect(altitudeWords(1500)).toBe(
      'At 1500 m: 9 % richer with the jets of a sheet for the sea; 0.91 of their area (0.96 of the bore) brings it back.',
    )
    expect(altitudeWords(150)).toBe('')
    expect(altitudeWords(-300)).toContain('leaner')
    expect(altitudeWords(NaN)).toBe('')
    expect(altitudeWords(12_000)).toBe('')
  })
})

describe('a jet for other air and fuel', () => {
  const sea: AirAndFuel = { altitude: 0, temperatureC: 15, ethanol: 0, lambda: 1 }
  it('10 % ethanol wants 1.039 of the area, 85 % 1.462; warm air less', () => {
    expect(jetFactor({ ...sea, ethanol: 0.1 }, sea)).toMatchObject({
      areaFactor: expect.closeTo(1.039, 3) as number,
    })
    expect(jetFactor({ ...sea, ethanol: 0.85 }, sea)).toMatchObject({
      areaFactor: expect.closeTo(1.462, 3) as number,
    })
    // √(288.15/303.15) = 0.975
    expect(jetFactor({ ...sea, temperatureC: 30 }, sea)).toMatchObject({
      areaFactor: expect.closeTo(0.975, 3) as number,
    })
  })
  it('the bore goes by the root of the area, and back again is one', () => {
    const high = { ...sea, altitude: 2500, ethanol: 0.2 }
    const there = jetFactor(high, sea) as { areaFactor: number; boreFactor: number }
    const back = jetFactor(sea, high) as { areaFactor: number; boreFactor: number }
    expect(there.boreFactor ** 2).toBeCloseTo(there.areaFactor, 12)
    expect(there.areaFactor * back.areaFactor).toBeCloseTo(1, 12)
  })
  it('names the field that is at fault', () => {
    expect(jetFactor(sea, { ...sea, altitude: 20_000 })).toMatchObject({ refused: { input: 'refAltitude' } })
    expect(jetFactor({ ...sea, ethanol: 1.2 }, sea)).toMatchObject({ refused: { input: 'ethanol' } })
    expect(jetFactor({ ...sea, lambda: 0 }, sea)).toMatchObject({ refused: { input: 'lambda' } })
  })
})
