import { describe, expect, it } from 'vitest'
import { templates } from '../unit/families/templates/index.ts'
import { breathes, familyFor } from './family.ts'

describe('the picture of a family that is tapped', () => {
  it('describes a unit that borrows from that very family', () => {
    for (const family of Object.keys(breathes) as (keyof typeof breathes)[])
      expect(familyFor({ ...breathes[family], barrels: templates[family].spec.barrels }), family).toBe(family)
  })
  it('is there for every family', () => {
    expect(Object.keys(breathes).sort()).toEqual(Object.keys(templates).sort())
  })
})
