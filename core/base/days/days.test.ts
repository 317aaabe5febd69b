import { describe, expect, it } from 'vitest'
import { addDays, daysBetween, isDate, isWorkingDay, workingDayAfter } from './index.ts'

const week = [1, 2, 3, 4, 5]

describe('days', () => {
  it('are counted over the end of a month and a leap February', () => {
    expect(addDays('2026-11-29', 3)).toBe('2026-12-02')
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29')
    expect(addDays('2026-03-01', -1)).toBe('2026-02-28')
    expect(daysBetween('2026-11-24', '2026-12-01')).toBe(7)
    expect(daysBetween('2026-11-24', '2026-11-20')).toBe(-4)
  })
  // 24 November 2026 is a Tuesday.
  it('the week-end is no working day; a promise of three days on a Thursday falls on the Tuesday', () => {
    expect(isWorkingDay('2026-11-28', week)).toBe(false)
    expect(isWorkingDay('2026-11-29', week)).toBe(false)
    expect(isWorkingDay('2026-11-29', [7])).toBe(true)
    expect(workingDayAfter('2026-11-26', 3, week)).toBe('2026-12-01')
    expect(workingDayAfter('2026-11-24', 1, week)).toBe('2026-11-25')
    expect(workingDayAfter('2026-11-24', 2, [])).toBe('2026-11-26')
  })
  it.each([
    ['2026-11-30', true],
    ['2026-11-31', false],
    ['2028-02-29', true],
    // Not a leap year: a hundred, and not four hundred.
    ['2100-02-29', false],
    ['2026-13-01', false],
    ['26-11-30', false],
    ['soon', false],
  ])('%s is a day of the calendar: %s', (text, is) => expect(isDate(text)).toBe(is))
})
