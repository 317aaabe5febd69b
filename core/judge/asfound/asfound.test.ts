import { describe, expect, it } from 'vitest'
import { familyOf } from '../../unit/families/index.ts'
import { sheetsFor } from '../../../demo/log-entries.ts'
import { screwCauses, lookEvidence, looksOf, screwSaying } from './index.ts'
import { looks, lookSays } from '../../log/index.ts'

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
    expect(screwSaying(60, spec, fuel).headline).toBe('7 1/2 is not possible.'))
  it('names where to look', () => {
    expect(screwCauses('rich cause', 'fuel')).toContain('float level high')
    expect(screwCauses('starved cause', 'air')).toContain('passage blocked')
    expect(screwCauses('none', 'fuel')).toEqual([])
    // A downdraft without an idle jet is sent to its passage.
    const without = screwSaying(5, spec, fuel, undefined, false, false).meaning
    expect(without).toContain('At teardown: opened idle passage, float level high.')
    expect(without).not.toContain('jet')
  })
})

describe('what is looked at from outside before it is drained', () => {
  it('a transfer slot is asked of a downdraft, never of a slide or a bowl without a plate over one', () => {
    const asked = (listNumber: string) => looksOf(sheetsFor(listNumber)).map(({ code }) => code)
    expect(asked('K-4417-2S')).toEqual(['level', 'slot'])
    expect(familyOf(sheetsFor('S26-14F'))).toBe('slide')
    expect(asked('S26-14F')).toEqual(['level'])
  })
  it('a high level asks for the float’s weight and the pressure before its height is touched', () => {
    const said = lookSays({ look: 'level', seen: 'above', mm: 3 })
    expect(said.headline).toBe('Level 3.0 mm above its mark.')
    expect(said.meaning).toContain('before its height is touched')
  })
  it('a low one counts only where it has just run', () =>
    expect(lookSays({ look: 'level', seen: 'below', mm: null })).toMatchObject({
      headline: 'Level below its mark.',
      usual: false,
    }))
  it('a long slot is a stop that was screwed in: its mixture screws do little', () =>
    expect(lookSays({ look: 'slot', seen: 'long', mm: null }).meaning).toContain('screws then do little'))
  it('what could not be seen counts neither way', () => {
    for (const { code } of looks)
      expect(lookSays({ look: code, seen: 'none', mm: null })).toMatchObject({ usual: true })
    expect(lookEvidence.some(({ seen }) => seen === 'none')).toBe(false)
  })
  it('each piece of evidence is an answer that can be given', () => {
    for (const { look, seen } of lookEvidence)
      expect(looks.find(({ code }) => code === look)!.answers.map(({ code }) => code)).toContain(seen)
  })
})
