import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { path, scaleOf, spread, turned } from './geometry'

describe('from millimetres to the drawing', () => {
  it('y goes up as installed and down on the screen; held upside down it turns round', () => {
    expect(scaleOf(8, [100, 200])([2, 3])).toEqual([116, 176])
    expect(scaleOf(8, [100, 200], true)([2, 3])).toEqual([116, 224])
  })
  it('a quarter turn brings the float’s arm upright', () => {
    const [x, y] = turned([46, 0], Math.PI / 2)
    expect(x).toBeCloseTo(0, 12)
    expect(y).toBeCloseTo(46, 12)
  })
  it('writes an outline as a path', () =>
    expect(
      path(
        [
          [0, 0],
          [1.25, 2],
        ],
        true,
      ),
    ).toBe('M0.0 0.0 L1.3 2.0 Z'))
})

describe('labels', () => {
  it('stay where they wish while there is room', () =>
    expect(spread([10, 80, 200], 40, 0, 300)).toEqual([10, 80, 200]))
  it('never stand closer than the gap, never beyond the sheet, as long as they fit', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 30, max: 500 }), { minLength: 1, maxLength: 8 }), (wishes) => {
        const ys = spread(
          [...wishes].sort((a, b) => a - b),
          46,
          30,
          500,
        )
        ys.forEach((y, i) => {
          expect(y).toBeGreaterThanOrEqual(30)
          expect(y).toBeLessThanOrEqual(500)
          if (i) expect(y - ys[i - 1]!).toBeGreaterThanOrEqual(46)
        })
      }),
      { seed: 5, numRuns: 200 },
    )
  })
})
