import { describe, expect, it } from 'vitest'
import { indexShift, plateAngle, plateGap, plateScrew, vacuumBreakBend } from './index.ts'

const DEG = Math.PI / 180
const flat = { edgeRadius: 16, wallDistance: 16 }
const tilted = { edgeRadius: 16.6, wallDistance: 16.1 }

describe('a plate in its bore', () => {
  it('opens by w − R·cos β when it shuts flat', () => {
    expect(plateGap(flat, 30 * DEG)).toBeCloseTo(16 * (1 - Math.cos(30 * DEG)), 12)
    expect(plateGap(flat, 0)).toBe(0)
  })
  it('angle and gap undo each other', () => {
    for (const gap of [0.5, 3.05, 9])
      expect(plateGap(tilted, plateAngle(tilted, gap) as number)).toBeCloseTo(gap, 10)
  })
  it('refuses a gap wider than the bore and a plate past upright', () => {
    expect(plateAngle(tilted, 17)).toMatchObject({ refused: { input: 'gap' } })
    expect(plateGap(tilted, 89 * DEG)).toMatchObject({ refused: { input: 'open' } })
    expect(plateGap({ edgeRadius: 16, wallDistance: 17 }, 0)).toMatchObject({
      refused: { input: 'wallDistance' },
    })
  })
  it('turns its screw by lever radius times angle over pitch', () => {
    // Flat plate from 5° to 15°: 12·(10°)/0.7 = 2.992 turns.
    const gap = (deg: number) => plateGap(flat, deg * DEG) as number
    expect(plateScrew(flat, gap(5), gap(15), 12, 0.7)).toBeCloseTo((12 * 10 * DEG) / 0.7, 9)
    expect(plateScrew(flat, gap(15), gap(5), 12, 0.7)).toBeLessThan(0)
    expect(plateScrew(flat, 1, 40, 12, 0.7)).toMatchObject({ refused: { input: 'gapWanted' } })
  })
})

describe('the vacuum break', () => {
  it('is bent by the link’s arm times the angle that the gap lacks', () => {
    const [now, wanted] = [2.58, 3.05]
    const by = (plateAngle(tilted, wanted) as number) - (plateAngle(tilted, now) as number)
    expect(vacuumBreakBend(tilted, now, wanted, 18)).toBeCloseTo(18 * by, 12)
    // The other way round it shuts, and nothing is bent where nothing lacks.
    expect(vacuumBreakBend(tilted, wanted, now, 18)).toBeCloseTo(-18 * by, 12)
    expect(vacuumBreakBend(tilted, 3, 3, 18)).toBe(0)
    expect(vacuumBreakBend(tilted, now, wanted, 0)).toMatchObject({ refused: { input: 'leverRadius' } })
  })
})

describe('the coil’s index', () => {
  it('a notch of 5° at 1.6°/°C is 3.125 °C', () => {
    expect(indexShift(5, 1.6, 1)).toBe(3.125)
    expect(indexShift(5, 1.6, -2)).toBe(-6.25)
    expect(indexShift(5, 0, 1)).toMatchObject({ refused: { input: 'coilDegreesPerC' } })
  })
})
