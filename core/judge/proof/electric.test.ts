import { describe, expect, it } from 'vitest'
import { JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { washOf } from '../../plan/baths/index.ts'
import { lookFirst } from '../../diagnose/complaint/index.ts'
import { mendOrBuy } from '../findings/index.ts'
import { conditionOf, type Position, type Sheets } from '../../sheets/index.ts'
import { fold } from '../../log/index.ts'
import { proofsOf } from './index.ts'

const plain = sheetsFor('K-4417-2S')
const solenoid: Position = {
  code: 'own.1',
  name: 'Idle cut-off',
  kind: 'electric',
  part: null,
  quantity: 1,
  material: 'steel',
  circuit: 'fuel',
  layer: 0,
  group: 'outside',
  tray: 'A',
  step: 'Idle cut-off out',
  underneath: '',
  cautions: [],
  always: false,
  ethanolLimit: null,
  deciding: { what: 'ohms', lo: 20, hi: 34 },
  stays: false,
  proof: 'It clicks at its own voltage.',
}
const sheets: Sheets = {
  ...plain,
  build: { ...plain.build, positions: [...plain.build.positions, solenoid] },
}
const state = fold(JOB, [placed(unsent(1, 'job.opened', opening), 1)])

describe('a part with a winding', () => {
  it('has a proof of its own, which rests on it alone, after the choke and before what gets wet', () => {
    const proofs = proofsOf({ state, sheets, body: 1 })
    const at = (code: string) => proofs.findIndex((one) => one.code === code)
    expect(proofs[at('electric')]).toMatchObject({ key: 'electric:own.1', how: 'seen', rests: ['own.1'] })
    expect(at('electric')).toBeGreaterThan(at('choke'))
    expect(at('electric')).toBeLessThan(at('level'))
    expect(proofsOf({ state, sheets: plain, body: 1 }).some(({ code }) => code === 'electric')).toBe(false)
  })
  it('stays out of every bath, whatever it is made of', () => {
    expect(washOf(solenoid)).toMatchObject({ bath: 'none' })
    expect(washOf(solenoid).why).toContain('winding')
  })
  it('is looked at first where it runs only on its choke at idle, and only where the unit has one', () => {
    const said = { symptom: 'runs only on choke', band: 'idle', temperature: 'both', when: 'any time' }
    const suspects = lookFirst(said, {}, sheets)
    const its = suspects.find(({ code }) => code === 'solenoid')!
    expect(its.positions).toEqual(['own.1'])
    expect(its.look).toContain('volts at its plug before the part is blamed')
    expect(lookFirst(said, {}, plain).some(({ code }) => code === 'solenoid')).toBe(false)
    // At wide open it is no longer worth naming: a tenth of what it is in the middle, thirty times less than at idle.
    const wide = lookFirst({ ...said, band: 'wide open' }, {}, sheets).find(
      ({ code }) => code === 'solenoid',
    )!
    expect(wide.share).toBeLessThan(its.share / 5)
  })
  it('a broken wire is mended rather than bought: twelve minutes at 54 an hour and 1.50 are 12.30', () => {
    expect(conditionOf('electric', 'wire')).toMatchObject({ disposition: 'repair' })
    const mend = mendOrBuy(
      { kind: 'electric', part: 'SO-1' },
      { condition: 'wire', measured: null, tried: 0 },
      5400,
      [{ part: 'SO-1', priceMinor: 4100, leadDays: 3 }],
    )
    expect(mend).toMatchObject({ mendMinor: 1230, better: 'mend', stop: false })
  })
  it('a tip that somebody cut off is no repair that can be undone', () =>
    expect(conditionOf('electric', 'cutTip')).toMatchObject({ disposition: 'replace', previous: 'for good' }))
})
