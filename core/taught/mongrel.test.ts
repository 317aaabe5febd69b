import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../demo/log-entries.ts'
import { bodyOf, fold } from '../log/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { returnSheet } from '../bench/return-sheet/index.ts'
import { momentsOf } from '../sheets/index.ts'
import { mongrelSheets, upperCodes } from './mongrel.ts'

const upper = sheetsFor('K-4417-2S')
const lower = sheetsFor('K-4431-1')
const both = () => {
  const sheets = mongrelSheets(upper, lower)
  if (isRefusal(sheets)) throw new Error(sheets.refused.why)
  return sheets
}
const settingOf = (sheets: typeof upper, code: string) =>
  sheets.spec.settings.find((setting) => setting.code === code)!
const partOf = (sheets: typeof upper, code: string) =>
  sheets.build.positions.find((position) => position.code === code)?.part

describe('a cover of one list number on a body of another', () => {
  it('what the cover carries is the upper half’s, and the choke with it', () => {
    const codes = upperCodes(upper)
    for (const code of ['cover', 'float', 'needle', 'seat', 'inlet.fitting', 'choke.coil'])
      expect(codes.has(code), code).toBe(true)
    for (const code of ['body', 'jet.main/P', 'mixture/L', 'pump.cup', 'throttle.shaft'])
      expect(codes.has(code), code).toBe(false)
  })
  it('the float is set by the cover’s sheet, the mixture by the body’s, each with whose it is', () => {
    const sheets = both()
    expect(settingOf(sheets, 'float.height').asWritten).toBe(settingOf(upper, 'float.height').asWritten)
    expect(settingOf(sheets, 'float.height').ground).toContain('(K-4417-2S)')
    expect(settingOf(sheets, 'mixture.turns').asWritten).toBe(settingOf(lower, 'mixture.turns').asWritten)
    expect(settingOf(sheets, 'pump.stem').target).toBe(settingOf(lower, 'pump.stem').target)
    expect(sheets.spec.float).toEqual(upper.spec.float)
    expect(sheets.spec.engine).toEqual(lower.spec.engine)
    expect(sheets.spec.listNumber).toBe('K-4417-2S on K-4431-1')
  })
  it('needs the parts of each half: no position twice, none lost, every setting still has its moment', () => {
    const sheets = both()
    const codes = sheets.build.positions.map(({ code }) => code)
    expect(new Set(codes).size).toBe(codes.length)
    expect(partOf(sheets, 'needle')).toBe(partOf(upper, 'needle'))
    expect(partOf(sheets, 'jet.main/P')).toBe(partOf(lower, 'jet.main/P'))
    for (const setting of sheets.spec.settings)
      expect(isRefusal(momentsOf(setting, sheets.build)), setting.name).toBe(false)
  })
  it('is judged by neither half’s own revision: what was judged by one is checked again', () => {
    const sheets = both()
    expect(sheets.specRev).toBe(`${upper.specRev}+${lower.specRev}`)
    expect(mongrelSheets(upper, lower)).toBe(sheets)
  })
  it('bears no more pressure than the weaker half', () => {
    const weak = { ...lower, spec: { ...lower.spec, supply: { ...lower.spec.supply, mostKpa: 5 } } }
    const sheets = mongrelSheets(upper, weak)
    expect(isRefusal(sheets) ? 0 : sheets.spec.supply.mostKpa).toBe(5)
  })
  it('two gaskets that differ are both laid on before one is trusted', () => {
    const other = {
      ...lower,
      build: {
        ...lower.build,
        positions: lower.build.positions.map((one) =>
          one.code === 'cover.gasket' ? { ...one, part: 'GK-OTHER' } : one,
        ),
      },
    }
    const sheets = mongrelSheets(upper, other)
    if (isRefusal(sheets)) throw new Error('refused')
    const gasket = sheets.build.positions.find(({ code }) => code === 'cover.gasket')!
    expect(gasket.cautions.join(' ')).toContain('GK-OTHER: lay both on both faces')
  })
  it.each([
    ['itself', 'K-4417-2S', 'no mongrel'],
    ['a slide', 'S26-14F', 'built otherwise'],
    ['a twin that opens together', '24T-529', 'built otherwise'],
  ])('not on a body of %s', (_, other, why) => {
    const sheets = mongrelSheets(upper, sheetsFor(other))
    expect(isRefusal(sheets) && sheets.refused.why).toContain(why)
  })
  it('a float that would have nowhere to hang, or hang twice, is no unit', () => {
    const inBody = { ...lower, spec: { ...lower.spec, float: { ...lower.spec.float, hangsOn: 'body' } } }
    const sheets = mongrelSheets(upper, inBody)
    expect(isRefusal(sheets) && sheets.refused.why).toContain('one half is another one still')
  })
  it('the job carries both, and its sheet says so', () => {
    const { listNumber, specRev, buildRev } = { ...lower, listNumber: 'K-4431-1' }
    const state = fold(JOB, [
      placed(unsent(1, 'job.opened', opening), 1),
      placed(unsent(2, 'ident.chosen', { ...identified, lower: { listNumber, specRev, buildRev } }), 2),
    ])
    expect(bodyOf(state).ident!.lower).toEqual({ listNumber, specRev, buildRev })
    expect(returnSheet(state, { 1: both() }, 1).listNumber).toBe('K-4417-2S on K-4431-1')
  })
})
