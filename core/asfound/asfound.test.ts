import { describe, expect, it } from 'vitest'
import { causes, screwSaying } from './index.ts'

const spec = { target: 11, lo: 10, hi: 12 }
const fuel = { kind: 'fuel' as const, mostEighths: 44 }
const air = { kind: 'air' as const, mostEighths: 36 }

describe('what a screw’s count says', () => {
  it('a fuel-side screw far in was leaned: look for a rich cause', () => {
    expect(screwSaying(5, spec, fuel)).toMatchObject({
      usual: false,
      headline: '5/8 where 1 3/8 is usual.',
      look: 'rich cause',
    })
  })
  it('far out it was enriched: look for a starved one', () =>
    expect(screwSaying(22, spec, fuel).look).toBe('starved cause'))
  it('an air-side screw reads the other way round', () => {
    expect(screwSaying(5, spec, air).look).toBe('starved cause')
    expect(screwSaying(22, spec, air).look).toBe('rich cause')
  })
  it('within half a turn nothing is said against it', () =>
    expect(screwSaying(8, spec, fuel)).toMatchObject({ usual: true, look: 'none' }))
  it('two far in point at the level, not at one passage', () => {
    expect(screwSaying(5, spec, fuel, { name: 'right', found: 6 }).meaning).toContain(
      'both far in, so likelier the fuel level',
    )
    expect(screwSaying(5, spec, fuel, { name: 'right', found: 11 }).meaning).not.toContain('both')
  })
  it('one that ran well is trusted: it is the sheet that is questioned, and nobody is said to have leaned it', () => {
    const saying = screwSaying(5, spec, fuel, undefined, true)
    expect(saying).toMatchObject({ usual: false, look: 'none' })
    expect(saying.meaning).toContain('Question the sheet: altitude')
    expect(saying.meaning).not.toMatch(/someone/i)
  })
  it('more turns than the thread has are asked again', () =>
    expect(screwSaying(60, spec, fuel).headline).toBe('7 1/2 cannot be.'))
  it('names where to look', () => {
    expect(causes('rich cause', 'fuel')).toContain('float level high')
    expect(causes('starved cause', 'air')).toContain('passage blocked')
    expect(causes('none', 'fuel')).toEqual([])
  })
})
