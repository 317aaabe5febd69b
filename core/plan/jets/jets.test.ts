import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { idleTrim } from '../../physics/range/index.ts'
import { jetsBlank, jetsPlan, type JetsAsked } from './index.ts'

const plan = (more: Partial<JetsAsked> = {}) => {
  const said = jetsPlan({ ...jetsBlank, ...more })
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}
const field = (more: Partial<JetsAsked>) => {
  const said = jetsPlan({ ...jetsBlank, ...more })
  return isRefusal(said) ? said.refused.input : undefined
}

describe('which jets for another place', () => {
  it('from the sea to 1,600 m: one main jet, from 1.10 to 1.05; the screw takes idle', () => {
    const { headline, choice, changed, screw } = plan({
      mains: '1.00 1.05 1.125',
      idles: '0.375 0.425',
      turns: '2',
    })
    expect(headline).toBe('Main jet 1.05 instead of 1.10.')
    expect(choice.changes).toEqual({ main: 1.05 })
    expect(changed).toHaveLength(1)
    expect(changed[0]).toMatchObject({ what: 'Altitude', from: '0 m', to: '1600 m' })
    // Idle + 7.0 %: two turns become 1.82.
    expect(screw).toBeCloseTo(1.82, 2)
  })
  it('says when nothing has to change, and when nothing is near enough', () => {
    expect(plan({ toAltitude: '0' }).headline).toBe('Nothing changed: the sheet’s jets are right.')
    expect(plan({ toAltitude: '300' }).headline).toBe('The sheet’s jets stay.')
    const far = plan({ toEthanol: '85', mains: '1.15', idles: '0.40' })
    expect(far.headline).toBe('Nearest of these sizes: main jet 1.15 instead of 1.10. Not near enough.')
    expect(far.choice.inside).toBe(false)
  })
  it('an 85 % blend on gasoline jets is dangerous at load, with its own jets it is not', () => {
    const away = plan({ toAltitude: '0', toEthanol: '85' })
    expect(away.dangerous).toBe(true)
    expect(away.choice.inside).toBe(true)
    // Main 1.10 grows by more than the mixture's 1.462 in area: 1.33 by that alone.
    expect(away.choice.changes.main).toBeGreaterThan(1.33)
    expect(away.conversion?.volumeFactor).toBeCloseTo(1.426, 3)
    expect(plan().conversion).toBeNull()
    // Ten per cent is a size of the jets and no other fuel.
    expect(plan({ toEthanol: '10' }).conversion).toBeNull()
  })
  it('the order of what each does alone adds up to about what they do together', () => {
    const { changed, asIs } = plan({ toTemperature: '35', toEthanol: '10' })
    expect(changed.map(({ what }) => what)).toEqual(['Altitude', 'Temperature', 'Ethanol'])
    const product = changed.reduce((all, { full }) => all * (1 + full), 1)
    expect(asIs.ratio.at(-1)! / product).toBeCloseTo(1, 1)
  })
})

describe('the screw', () => {
  it('a fuel screw goes in by a rich idle, an air screw out', () => {
    expect(idleTrim(1.07, 'fuel', 2)).toBeCloseTo(1.816, 3)
    expect(idleTrim(1.07, 'air', 2)).toBeCloseTo(2.41, 2)
    expect(isRefusal(idleTrim(0, 'fuel', 2))).toBe(true)
  })
})

describe('what is typed wrongly', () => {
  it.each([
    [{ main: 'abc' }, 'main'],
    [{ main: '110' }, 'main'],
    [{ toAltitude: 'high' }, 'toAltitude'],
    [{ toAltitude: '30000' }, 'toAltitude'],
    [{ toEthanol: '110' }, 'toEthanol'],
    [{ family: 'drum' }, 'family'],
    [{ mains: '1.05 big' }, 'mains'],
    [{ turns: '0' }, 'turns'],
  ] as const)('is said by its field: %o', (more, name) => expect(field(more)).toBe(name))
  it('a stamped number is not taken for millimeters', () => {
    const said = jetsPlan({ ...jetsBlank, main: '110' })
    expect(isRefusal(said) && said.refused.why).toContain('measure its bore')
  })
})

describe('a unit without an idle jet', () => {
  it('has its idle by a drilling, which stays', () =>
    expect(plan({ idle: '', mains: '1.05' }).choice.changes).toEqual({ main: 1.05 }))
})
