import { describe, expect, it } from 'vitest'
import { addressOfCode, scan } from './scanner'

/** What a scanner types, key by key, and what comes of it. */
function typed(keys: readonly string[]): { codes: string[]; left: string | null; mine: boolean[] } {
  let now: string | null = null
  const codes: string[] = []
  const mine = keys.map((key) => {
    const next = scan(now, key)
    if (!next) return false
    now = next.typed
    if (next.code !== undefined) codes.push(next.code)
    return true
  })
  return { codes, left: now, mine }
}

describe('a label’s code', () => {
  it('is heard from its mark to Enter, and nothing else of the keyboard is', () => {
    const { codes, mine } = typed(['1', '~', '1', '1', '8', '7', 'K', 'Enter', '4'])
    expect(codes).toEqual(['1187K'])
    expect(mine).toEqual([false, true, true, true, true, true, true, true, false])
  })
  it('begins anew at a second mark, ends at Esc, and passes over keys that type nothing', () => {
    expect(typed(['~', '9', '~', '1', 'Shift', '2', 'Enter']).codes).toEqual(['12'])
    expect(typed(['~', '1', 'Escape', '2', 'Enter'])).toEqual({
      codes: [],
      left: null,
      mine: [true, true, true, false, false],
    })
  })
  it('ends by itself where no label is so long: a mark typed by hand holds no keyboard for ever', () => {
    const { codes, left } = typed(['~', ...'12345678901234'])
    expect(codes).toEqual(['1234567890123'])
    expect(left).toBeNull()
  })
  it('leads to its job; one whose letter does not fit to the search, which says so', () => {
    expect(addressOfCode('1186H')).toBe('/jobs/1186')
    expect(addressOfCode('1186K')).toBe('/?find=1186K')
    expect(addressOfCode('not a number')).toBe('/?find=not%20a%20number')
  })
})
