/* eslint-disable no-restricted-syntax -- this is about a clock that differs from the machine's */
import { afterEach, describe, expect, it, vi } from 'vitest'
import { clockOffMinutes, noteServerTime, stampNow } from './clock'

afterEach(() => vi.useRealTimers())

describe('a clock that is off', () => {
  it('an hour behind: entries bear the shop’s time, and the hour is said', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T09:40:00Z') })
    noteServerTime('2026-11-24T10:40:00.000Z', Date.now() - 100, Date.now() + 100)
    expect(stampNow()).toBe('2026-11-24T10:40:00.000Z')
    expect(clockOffMinutes()).toBe(-60)
  })
  it('a minute off is this computer’s own time', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T10:39:00Z') })
    noteServerTime('2026-11-24T10:40:00.000Z', Date.now(), Date.now())
    expect(stampNow()).toBe('2026-11-24T10:39:00.000Z')
    expect(clockOffMinutes()).toBe(0)
  })
})
