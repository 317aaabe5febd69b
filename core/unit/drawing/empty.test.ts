import { describe, expect, it } from 'vitest'
import { emptyCircle } from './empty.ts'

const square = (x0: number, y0: number, x1: number, y1: number) =>
  [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
    [x0, y0],
  ] as const

describe('the empty place of a sheet', () => {
  it('is the largest circle that meets no line, beside what is drawn', () => {
    // A unit that fills the left 300 of 600 by 400: what is left is 300 wide, so a circle of 150 less its gap and the edge.
    const { centre, radius } = emptyCircle(
      [square(0, 0, 300, 400)],
      { width: 600, height: 400 },
      { most: 200, gap: 8 },
    )
    expect(centre[0]).toBe(460)
    expect(radius).toBe(136)
  })
  it('is no larger than is wanted, and on the sheet', () => {
    const { centre, radius } = emptyCircle([], { width: 600, height: 400 }, { most: 90, gap: 8 })
    expect(radius).toBe(90)
    expect(centre[0] + radius).toBeLessThanOrEqual(600)
    expect(centre[1] + radius).toBeLessThanOrEqual(400)
  })
  it('is none where the sheet is full of lines', () => {
    const lines = Array.from(
      { length: 40 },
      (_, i) =>
        [
          [0, i * 10],
          [400, i * 10],
        ] as const,
    )
    expect(emptyCircle(lines, { width: 400, height: 400 }, { most: 90, gap: 8 }).radius).toBe(0)
  })
})
