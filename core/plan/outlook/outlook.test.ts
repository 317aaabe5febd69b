import { describe, expect, it } from 'vitest'
import { minutesUntil, outlook, sayMinutes, type Promised, minutesDue } from './index.ts'

// Tuesday 24 November 2026, 10:40.
const clock = { today: '2026-11-24', minute: 640, workingDays: [1, 2, 3, 4, 5] }
const job = (more: Partial<Promised>): Promised => ({
  promise: '2026-11-26',
  status: 'open',
  arrives: null,
  waitsFor: '',
  minutesLeft: 60,
  uncovered: false,
  ...more,
})
const say = (date: string) => date.slice(8)
const of = (more: Partial<Promised>) => outlook(job(more), clock, say)

describe('whether a promise holds', () => {
  it('counts working minutes: 6 h 20 today, nine hours a day, none at the week-end', () => {
    expect(minutesUntil('2026-11-24', clock)).toBe(380)
    expect(minutesUntil('2026-11-26', clock)).toBe(380 + 2 * 540)
    // Friday to Sunday is Friday alone.
    expect(minutesUntil('2026-11-29', { ...clock, today: '2026-11-27', minute: 480 })).toBe(540)
    expect(minutesUntil('2026-11-24', { ...clock, minute: 1200 })).toBe(0)
    expect(minutesUntil('2026-11-23', clock)).toBe(0)
  })
  it('late: the day is over, or the parts come after it', () => {
    expect(of({ promise: '2026-11-20' })).toEqual({ kind: 'late', reason: 'was promised 20' })
    expect(of({ arrives: '2026-11-27', waitsFor: 'WA-080' })).toEqual({
      kind: 'late',
      reason: 'WA-080 comes 27, promised 26',
    })
    expect(of({ arrives: '2026-11-27', waitsFor: '31-B, FL-090' }).reason).toBe(
      '31-B, FL-090 come 27, promised 26',
    )
  })
  it('late: more bench than hours', () => {
    expect(of({ promise: '2026-11-24', minutesLeft: 400 })).toEqual({
      kind: 'late',
      reason: '6 h 40 of bench left, 6 h 20 until it is due today',
    })
  })
  it('only just: parts on the day, or half of the time', () => {
    expect(of({ arrives: '2026-11-26', waitsFor: 'FL-090' }).kind).toBe('just')
    expect(of({ promise: '2026-11-24', minutesLeft: 191 })).toEqual({
      kind: 'just',
      reason: '3 h 11 of bench left, promised today',
    })
    expect(of({ promise: '2026-11-24', minutesLeft: 190 }).kind).toBe('fine')
  })
  it('only just: nothing ordered with one working day left', () => {
    expect(of({ promise: '2026-11-25', uncovered: true })).toEqual({
      kind: 'just',
      reason: 'parts not ordered yet, promised 25',
    })
    expect(of({ promise: '2026-11-26', uncovered: true }).kind).toBe('fine')
    // On a Friday the next working day is Monday.
    const friday = { ...clock, today: '2026-11-27' }
    expect(outlook(job({ promise: '2026-11-30', uncovered: true }), friday, say).kind).toBe('just')
  })
  it('what went back is fine', () =>
    expect(of({ promise: '2026-01-01', status: 'returned' }).kind).toBe('fine'))
  it('says minutes as a shop does', () =>
    expect([50, 89, 90, 120, 190].map(sayMinutes)).toEqual([
      '50 minutes',
      '89 minutes',
      '1 h 30',
      '2 h',
      '3 h 10',
    ]))
})

describe('bench time that is due on a day', () => {
  const job = (promise: string, minutesLeft: number, status = 'open') => ({ promise, minutesLeft, status })
  it('is that of the open jobs promised for it, and of no other', () =>
    expect(
      minutesDue(
        [
          job('2026-11-27', 90),
          job('2026-11-27', 126),
          job('2026-11-26', 40),
          job('2026-11-27', 60, 'returned'),
        ],
        '2026-11-27',
      ),
    ).toBe(216))
})
