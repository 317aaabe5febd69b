import { describe, expect, it } from 'vitest'
import { sayDate, sayDay, sayInstant, sayMoney, shownAt } from './dates'

describe('days and money as the shop says them', () => {
  it.each([
    ['2026-11-26', 'Thu 26 Nov', 'Thu 26'],
    ['2026-12-01', 'Tue 1 Dec', 'Tue 1'],
    ['2028-02-29', 'Tue 29 Feb', 'Tue 29'],
  ])('%s is %s', (date, whole, short) => {
    expect(sayDate(date)).toBe(whole)
    expect(sayDay(date)).toBe(short)
  })
  it('an instant stands in the shop’s zone, an hour on in winter and two in summer', () => {
    expect(sayInstant('2026-11-24T10:40:00Z', 'Europe/Vienna')).toBe('24 Nov 11:40')
    expect(sayInstant('2026-07-01T22:30:00Z', 'Europe/Vienna')).toBe('2 Jul 00:30')
  })
  it('money has as many places as its currency', () => {
    expect(sayMoney(8650, 2)).toBe('86.50')
    expect(sayMoney(8650, 0)).toBe('8650')
    expect(sayMoney(5, 3)).toBe('0.005')
  })
  it('an entry shows its own time, but the server’s where its clock ran ahead', () => {
    const receivedAt = '2026-11-24T10:40:00.000Z'
    expect(shownAt({ at: '2026-11-24T10:39:00.000Z', receivedAt })).toBe('2026-11-24T10:39:00.000Z')
    // Kept offline for hours: its own.
    expect(shownAt({ at: '2026-11-24T07:00:00.000Z', receivedAt })).toBe('2026-11-24T07:00:00.000Z')
    expect(shownAt({ at: '2026-11-24T11:45:00.000Z', receivedAt })).toBe(receivedAt)
  })
})
