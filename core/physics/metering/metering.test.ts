import { describe, expect, it } from 'vitest'
import { blendAfr, blendDensity, flowChange, orificeFlow } from './index.ts'

describe('flow through a hole', () => {
  it('1 mm² at 10 kPa of water with Cd 0.7 is 187.8 mL/min', () => {
    // √(2·10000/1000) = 4.4721 m/s; ·0.7e-6 m²·6e7 = 187.83
    expect(orificeFlow(0.7, 1, 10, 1000)).toBeCloseTo(187.83, 2)
  })
  it('does not care for the density under a head of its own liquid', () => {
    const head = (density: number) => (density * 9.80665 * 0.2) / 1000
    expect(orificeFlow(0.7, 1, head(745), 745)).toBeCloseTo(
      orificeFlow(0.7, 1, head(1000), 1000) as number,
      9,
    )
  })
  it('refuses a negative area and no density', () => {
    expect(orificeFlow(0.7, -1, 10, 745)).toMatchObject({ refused: { input: 'area' } })
    expect(orificeFlow(0.7, 1, 10, 0)).toMatchObject({ refused: { input: 'density' } })
    expect(orificeFlow(0.7, 1, NaN, 745)).toMatchObject({ refused: { input: 'pressure' } })
  })
  it('a jet 2 % wider passes 4 % more', () => expect(flowChange(1.02, 1)).toBeCloseTo(0.0404, 9))
})

describe('ethanol blends', () => {
  it('85 % is 782.4 kg/m³ and needs 9.81 of air', () => {
    expect(blendDensity(0.85)).toBeCloseTo(782.4, 9)
    // mass share 670.65/782.4 = 0.8572: 9·0.8572 + 14.7·0.1428 = 9.814
    expect(blendAfr(0.85)).toBeCloseTo(9.814, 3)
    expect(blendAfr(0)).toBe(14.7)
  })
})
