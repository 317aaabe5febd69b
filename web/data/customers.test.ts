import { describe, expect, it } from 'vitest'
import { fitsTyped } from './customers'

const rink = { customer: 'Osk skating rink', engine: 'resurfacer, 1.8 L', equipment: 'ice resurfacer' }

describe('whom a fragment still finds', () => {
  it('by name, engine or what it drives, whatever the case', () => {
    for (const typed of ['skat', 'SKAT', '1.8', 'ice', ' rink ', ''])
      expect(fitsTyped(rink, typed), typed).toBe(true)
    expect(fitsTyped(rink, 'orchard')).toBe(false)
  })
  it('signs are taken as they are typed', () => {
    expect(fitsTyped(rink, '%')).toBe(false)
    expect(fitsTyped({ ...rink, engine: '100 % ethanol' }, '%')).toBe(true)
  })
})
