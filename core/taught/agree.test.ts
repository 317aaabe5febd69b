import { describe, expect, it } from 'vitest'
import { agree } from './sources.ts'

describe('whether similar units lend their value', () => {
  it('a float height’s band is ±0.5 mm: a spread of 1.0 is as wide, 3.7 says that they are not alike', () => {
    expect(agree({ spread: 1 }, { quantity: 'length' })).toBe(true)
    expect(agree({ spread: 1.1 }, { quantity: 'length' })).toBe(false)
    expect(agree({ spread: 3.7 }, { quantity: 'length' })).toBe(false)
  })
  it('holes of a link are the same one or none', () => {
    expect(agree({ spread: 0 }, { quantity: 'count' })).toBe(true)
    expect(agree({ spread: 1 }, { quantity: 'count' })).toBe(false)
  })
})
