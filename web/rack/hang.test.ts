import { describe, expect, it } from 'vitest'
import { columnOf, hang } from './hang'

const today = '2026-11-24'
const at = (...promises: string[]) => promises.map((promise, n) => ({ promise, n }))

describe('tags on the rack', () => {
  it('hang by promise: overdue first, today, six days on, later', () => {
    expect(
      ['2026-11-01', '2026-11-24', '2026-11-26', '2026-11-30', '2027-01-01'].map((p) => columnOf(p, today)),
    ).toEqual([1, 2, 4, 8, 8])
  })
  it('never cover each other: the second of a day goes a line down, one two days on fits beside', () => {
    const { hung } = hang(at('2026-11-24', '2026-11-24', '2026-11-26'), today)
    expect(hung.map(({ column, line }) => [column, line])).toEqual([
      [2, 1],
      [2, 2],
      [4, 1],
    ])
    const cells = hung.flatMap(({ column, line }) => [`${column}/${line}`, `${column + 1}/${line}`])
    expect(new Set(cells).size).toBe(cells.length)
  })
  it('the fourth of a day is counted, not hung', () => {
    const { hung, more } = hang(at(...Array<string>(5).fill('2026-11-25')), today)
    expect([hung.length, more]).toEqual([3, 2])
  })
})
