import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { leanerWay, richerWay, screwWords } from './index.ts'

describe('which way a mixture screw is turned', () => {
  it('fuel flows past its tip: in shuts fuel off, which is leaner', () => {
    expect([leanerWay('fuel'), richerWay('fuel')]).toEqual(['in', 'out'])
    expect(screwWords('fuel')).toBe('In is leaner, out is richer.')
  })
  it('air flows past its tip: in shuts air off, which is richer', () => {
    expect([leanerWay('air'), richerWay('air')]).toEqual(['out', 'in'])
    expect(screwWords('air')).toBe('In is richer, out is leaner.')
  })
  it('the shop has both kinds, so that nobody can go by habit', () =>
    expect(new Set(models().map((model) => model.spec.mixture.kind))).toEqual(new Set(['fuel', 'air'])))
})
