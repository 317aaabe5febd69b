import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { adapterPlate, plateFile } from './index.ts'

const flange = { bolts: 2, spacingMm: 68, boltMm: 8.5, nippleMm: 9.5, boreMm: 32 } as const

describe('an adapter plate', () => {
  const plate = adapterPlate(flange)
  if (isRefusal(plate)) throw new Error(plate.refused.why)
  it('leaves 6 mm of metal round its bolts and round the bore', () => {
    const xs = plate.outline.map(([x]) => x)
    const ys = plate.outline.map(([, y]) => y)
    // 34 + 4.25 + 6 = 44.25 to each side; 16 + 6 = 22 up and down.
    expect(Math.max(...xs)).toBeCloseTo(44.25, 6)
    expect(Math.max(...ys)).toBeCloseTo(22, 6)
    for (const { at, mm } of plate.holes)
      for (const [x, y] of plate.outline)
        expect(Math.hypot(x - at[0], y - at[1])).toBeGreaterThan(mm / 2 + 5.9)
  })
  it('is convex: each corner turns the same way', () => {
    const n = plate.outline.length
    for (let i = 0; i < n; i++) {
      const [a, b, c] = [plate.outline[i]!, plate.outline[(i + 1) % n]!, plate.outline[(i + 2) % n]!]
      expect((b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])).toBeGreaterThan(-1e-6)
    }
  })
  it('is a file at full size, its holes where they were measured', () => {
    const file = plateFile(flange)
    expect(file).toMatch(/width="92\.500mm" height="48\.000mm"/)
    expect((file as string).match(/<circle/g)).toHaveLength(3)
  })
  it('has four holes and its nipple on a square flange', () => {
    const square = adapterPlate({ ...flange, bolts: 4, spacingMm: 60 })
    expect(isRefusal(square) ? 0 : square.holes.length).toBe(5)
  })
  it('refuses bolts that cut into the bore, a nipple as large as it, nothing', () => {
    expect(isRefusal(adapterPlate({ ...flange, spacingMm: 36 }))).toBe(true)
    expect(isRefusal(adapterPlate({ ...flange, nippleMm: 32 }))).toBe(true)
    expect(isRefusal(adapterPlate({ ...flange, boltMm: 0 }))).toBe(true)
  })
})
