/* oxlint-disable house/no-machine-clock -- this is about a clock that differs from the machine's */
import { afterEach, describe, expect, it, vi } from 'vitest'
import { clockOffMinutes, noteServerTime, stampNow, watchClock } from './clock'

afterEach(() => vi.useRealTimers())

describe('a clock that is off', () => {
  it('an hour behind: entries bear the shop’s time, and the hour is said', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T09:40:00Z') })
    noteServerTime('2026-11-24T10:40:00.000Z', Date.now() - 100, Date.now() + 100)
    expect(stampNow()).toBe('2026-11-24T10:40:00.000Z')
    expect(clockOffMinutes()).toBe(-60)
  })
  it('that is set back while the page is open does not turn entries back', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T10:40:00Z') })
    noteServerTime('2026-11-24T10:40:00.000Z', Date.now(), Date.now())
    vi.advanceTimersByTime(60_000)
    vi.setSystemTime(new Date('2026-11-24T07:41:00Z'))
    expect(stampNow()).toBe('2026-11-24T10:41:00.000Z')
    expect(clockOffMinutes()).toBe(-180)
  })
  it('that jumps ahead, or woke from sleep, has the shop asked for its time', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T10:40:00Z') })
    noteServerTime('2026-11-24T10:40:00.000Z', Date.now(), Date.now())
    const ask = vi.fn()
    const stop = watchClock(ask)
    vi.advanceTimersByTime(60_000)
    expect(ask).not.toHaveBeenCalled()
    vi.setSystemTime(new Date('2026-11-24T13:41:00Z'))
    vi.advanceTimersByTime(5000)
    expect(ask).toHaveBeenCalled()
    stop()
  })
  it('a minute off is this computer’s own time', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T10:39:00Z') })
    noteServerTime('2026-11-24T10:40:00.000Z', Date.now(), Date.now())
    expect(stampNow()).toBe('2026-11-24T10:39:00.000Z')
    expect(clockOffMinutes()).toBe(0)
  })
})
