import { describe, expect, it } from 'vitest'
import { instantOf } from './pool.ts'

describe('an instant from the database', () => {
  it.each([
    ['2026-11-24 10:40:00+00', '2026-11-24T10:40:00.000Z'],
    ['2026-11-24 10:40:00.5+00', '2026-11-24T10:40:00.500Z'],
    ['2026-11-24 10:40:00.123456+00', '2026-11-24T10:40:00.123Z'],
    // A database that answers in the shop's zone.
    ['2026-11-24 11:40:00.25+01', '2026-11-24T10:40:00.250Z'],
    ['2026-11-24 16:10:00+05:30', '2026-11-24T10:40:00.000Z'],
  ])('%s is %s', (text, instant) => expect(instantOf(text)).toBe(instant))
})
