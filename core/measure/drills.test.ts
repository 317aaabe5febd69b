import { describe, expect, it } from 'vitest'
import {
  allSeries,
  alsoAs,
  findDrill,
  fractionDrills,
  letterDrills,
  metricDrills,
  nearestDrill,
  nextLarger,
  normalTail,
  numberDrills,
} from './index.ts'

/** Decimal inches as they stand on the lid of every drill index. */
const LID: [string, number][] = [
  ['#1', 0.228],
  ['#7', 0.201],
  ['#21', 0.159],
  ['#30', 0.1285],
  ['#31', 0.12],
  ['#38', 0.1015],
  ['#43', 0.089],
  ['#52', 0.0635],
  ['#60', 0.04],
  ['#68', 0.031],
  ['#70', 0.028],
  ['#80', 0.0135],
  ['A', 0.234],
  ['E', 0.25],
  ['F', 0.257],
  ['K', 0.281],
  ['Q', 0.332],
  ['Z', 0.413],
  ['1/64', 1 / 64],
  ['5/16', 0.3125],
  ['1/2', 0.5],
]

describe('the drill index', () => {
  it.each(LID)('%s is %f in', (name, inches) => expect(findDrill(name)!.mm).toBeCloseTo(inches * 25.4, 6))

  it('holds eighty numbers, twenty-six letters, thirty-two fractions', () => {
    expect([numberDrills.length, letterDrills.length, fractionDrills.length]).toEqual([80, 26, 32])
    expect(metricDrills.length).toBe(157)
    expect(metricDrills.map((drill) => drill.mm)).toContain(3)
    expect(metricDrills.at(-1)!.mm).toBe(13)
  })
  it('runs one way in each series: numbers fall as they count up, letters and fractions rise', () => {
    const falls = (list: readonly { mm: number }[]) =>
      list.every((drill, i) => i === 0 || drill.mm < list[i - 1]!.mm)
    expect(falls(numberDrills)).toBe(true)
    for (const series of [letterDrills, fractionDrills, metricDrills])
      expect(falls([...series].reverse())).toBe(true)
  })
  it('#1 and A meet without a hole: A is the next size over #1', () => {
    expect(letterDrills[0]!.mm).toBeGreaterThan(numberDrills[0]!.mm)
    // Within one series the largest has no next.
    expect(nextLarger(numberDrills[0]!)).toBeUndefined()
    expect(nextLarger(findDrill('#31')!)!.name).toBe('#30')
    expect(nextLarger(findDrill('K')!)!.name).toBe('L')
  })
  it('names the nearest in the series that are at hand, and the error that it brings', () => {
    // 3.1 mm lies 0.052 over #31 and 0.164 under #30.
    const drill = nearestDrill(3.1, ['number'])
    expect(drill.name).toBe('#31')
    expect(drill.error).toBeCloseTo(3.1 - 0.12 * 25.4, 6)
    expect(nearestDrill(3.1).name).toBe('3.1 mm')
    // E is a quarter inch as well: of two alike the first series that was named.
    expect(nearestDrill(6.35, ['letter', 'fraction']).name).toBe('E')
    expect(nearestDrill(6.35, ['fraction']).name).toBe('1/4')
    expect(() => nearestDrill(3, [])).toThrow()
    expect(allSeries).toEqual(['number', 'letter', 'fraction', 'metric'])
  })
  it('there is no #0, no #81 and no double letter', () =>
    expect(['#0', '#81', 'AA', '3'].map(findDrill)).toEqual([undefined, undefined, undefined, undefined]))
})

describe('the same reading the other way round', () => {
  it('inches for a length, the drill as well for a gap; nothing for what is counted', () => {
    expect(alsoAs(13.5, 'length')).toBe('0.531 in')
    expect(alsoAs(3.05, 'gap')).toBe('0.120 in, drill #31')
    // Below the smallest drill there is none to name.
    expect(alsoAs(0.2, 'gap')).toBe('0.008 in')
    expect(['turns', 'notches', 'count', 'mass'].map((q) => alsoAs(3, q as 'turns'))).toEqual([
      '',
      '',
      '',
      '',
    ])
  })
})

describe('the normal tail', () => {
  // Table values, P(Z > x).
  it.each([
    [0, 0.5],
    [1, 0.158655254],
    [1.644853627, 0.05],
    [1.959963985, 0.025],
    [2.326347874, 0.01],
    [3, 0.001349898],
    [5, 2.866515719e-7],
  ])('beyond %f lies %f', (x, p) => {
    expect(normalTail(x) / p).toBeCloseTo(1, 6)
    expect(normalTail(-x)).toBeCloseTo(1 - p, 9)
  })
})
