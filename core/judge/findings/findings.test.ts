import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { listNumberSheets, partsTable } from '../../sheets/index.ts'
import {
  judgeFloatMass,
  judgeJet,
  judgeMeasured,
  judgeSeat,
  shaftLeakShare,
  warpLimit,
  type Judgement,
} from './index.ts'

const model = models()[0]!
const sheets = listNumberSheets(
  model,
  model.listNumbers.find((item) => item.number === 'K-4417-2S')!,
)
if (isRefusal(sheets)) throw new Error(sheets.refused.why)
const { spec } = sheets
const at24 = workingConditions(
  { engine: '', equipment: '', ethanol: 0, pressureKpa: 24, headMm: null, altitudeM: null },
  spec,
)
const judged = (result: ReturnType<typeof judgeSeat>): Judgement => {
  if (isRefusal(result)) throw new Error(result.refused.why)
  return result
}

describe('verdicts by rule', () => {
  it('a float is renewed when fuel in it lifts the level half a millimetre', () => {
    // x_g/(ρ·A·x_b) = 27/(745e-6·1050·29) = 1.19 mm a gram: the limit is 9 + 0.42 g.
    const soaked = judged(judgeFloatMass(11.1, 0.05, spec, at24))
    expect(soaked).toMatchObject({ disposition: 'replace', limit: expect.closeTo(9.42, 2) as number })
    expect(soaked.sentence).toContain('2.1 g of fuel in it')
    expect(soaked.sentence).toContain('2.5 mm too high')
    expect(judged(judgeFloatMass(9.1, 0.05, spec, at24))).toMatchObject({ disposition: 'reuse', sure: true })
    expect(judged(judgeFloatMass(9.42, 0.05, spec, at24))).toMatchObject({ sure: false })
  })
  it('a worn seat holds less pressure, by the square of its bore', () => {
    // Reference: 40.1 kPa at 2.40; at 2.535: 40.1·(2.4/2.535)² = 35.9.
    const worn = judged(judgeSeat(2.52, 2.55, 2.4, spec, at24))
    expect(worn.disposition).toBe('replace')
    expect(worn.sentence).toContain('holds 35.9 kPa; the supply gives 24.0')
    // A bore that no longer holds the supply is out whatever its wear.
    expect(judged(judgeSeat(3.3, 3.35, 3.3, spec, at24)).disposition).toBe('replace')
    expect(judged(judgeSeat(2.39, 2.41, 2.4, spec, at24))).toMatchObject({ disposition: 'reuse', sure: true })
    expect(judged(judgeSeat(2.4, 2.5, 2.4, spec, at24))).toMatchObject({ sure: false })
  })
  it('a jet under its size is varnish, over it is drilled', () => {
    expect(judged(judgeJet(1.3, 1.35, 1.4))).toMatchObject({ disposition: 'clean' })
    expect(judged(judgeJet(1.44, 1.46, 1.4))).toMatchObject({ disposition: 'replace' })
    // (1.45/1.4)² − 1 = 7.3 %.
    expect(judged(judgeJet(1.44, 1.46, 1.4)).sentence).toContain('7 % more flow')
    expect(judged(judgeJet(1.395, 1.405, 1.4))).toMatchObject({ disposition: 'reuse', sure: true })
    // Of the larger jets that ethanol needs nobody says that they were drilled out; nor are they called right unseen.
    const blend = judged(judgeJet(1.59, 1.6, 1.4, 0.85))
    expect(blend).toMatchObject({ disposition: 'reuse', sure: false })
    expect(blend.sentence).toMatch(/85 % ethanol needs more/)
    expect(blend.sentence).not.toMatch(/rilled/)
  })
  it('with 85 % ethanol the size that it wants is the measure: 1.40 becomes 1.77, and the sheet’s own runs lean', () => {
    // 1.4616 in area by the mixture, its 1/0.9th power, and 4 % more for the thicker fuel: 1.264 in bore.
    const right = judged(judgeJet(1.76, 1.78, 1.4, 0.85))
    expect(right).toMatchObject({ disposition: 'reuse', sure: true })
    expect(right.sentence).toContain('about 1.77, and this is it')
    const gasoline = judged(judgeJet(1.395, 1.405, 1.4, 0.85))
    expect(gasoline).toMatchObject({ disposition: 'reuse', sure: false })
    // (1.40/1.767)^1.8 = 0.657.
    expect(gasoline.sentence).toContain('34 % lean')
    // Ten per cent is what gasoline is sold with: there the sheet's size is right.
    expect(judged(judgeJet(1.395, 1.405, 1.4, 0.1))).toMatchObject({ sure: true })
  })
  it('shaft play leaks 0.7, 5.5, 9.1 and 12.2 % of the idle air at 0.05 to 0.20 mm', () => {
    const share = (play: number) =>
      (shaftLeakShare(
        play,
        { shaftMm: 9, bossMm: 12, bosses: 2 },
        { displacementL: 2, idleRpm: 700 },
      ) as number) * 100
    expect(share(0.05)).toBeCloseTo(0.7, 1)
    expect(share(0.1)).toBeCloseTo(5.5, 1)
    expect(share(0.15)).toBeCloseTo(9.1, 1)
    expect(share(0.2)).toBeCloseTo(12.2, 1)
  })
  it('a 0.8 mm gasket takes up 0.12 mm of warp', () => expect(warpLimit(0.8)).toBeCloseTo(0.12, 12))
  it('refuses a measurement of another kind', () => {
    expect(
      isRefusal(
        judgeMeasured(
          { code: 'float', kind: 'float' },
          { what: 'mass' },
          { what: 'warp', value: 0.1, sigma: 0.01 },
          spec,
          at24,
        ),
      ),
    ).toBe(true)
  })
  it('a cracked cover and a broken tip condemn', () => {
    expect(partsTable.cover.conditions.find((c) => c.code === 'cracked')?.disposition).toBe('condemn')
    expect(partsTable.mixtureScrew.conditions.find((c) => c.code === 'brokenOff')?.disposition).toBe(
      'condemn',
    )
  })
})

describe('what the unit works under', () => {
  it('takes what is known and names what is assumed', () => {
    expect(at24).toMatchObject({ pressureKpa: 24, assumes: [] })
    const unknown = workingConditions(
      { engine: '', equipment: '', ethanol: null, pressureKpa: null, headMm: null, altitudeM: null },
      spec,
    )
    expect(unknown.assumes).toEqual(['gasoline without ethanol', 'fuel at 24 kPa, from the sheet'])
    // 300 mm of gasoline: 2.19 kPa.
    expect(
      workingConditions(
        { engine: '', equipment: '', ethanol: 0, pressureKpa: null, headMm: 300, altitudeM: null },
        spec,
      ).pressureKpa,
    ).toBeCloseTo(2.19, 2)
  })
})

describe('words that must be true of this unit', () => {
  it('a lapped face moves the float reading only where the float hangs on it', () => {
    const said = (code: string) => {
      const judged = judgeMeasured(
        { code, kind: 'cover' },
        { what: 'warp', gasketMm: 0.8 },
        { what: 'warp', value: 0.4, sigma: 0.01 },
        spec,
        at24,
      )
      return isRefusal(judged) ? '' : judged.sentence
    }
    expect(spec.float.hangsOn).toBe('cover')
    expect(said('cover')).toContain('what comes off moves the float reading as much')
    expect(said('body')).toContain('if the seat is in this part, read the float height again')
  })
  it('a dry float is not told to be sound where it rattles: fuel has been inside', () => {
    const rattles = partsTable.float.conditions.find(({ code }) => code === 'rattles')!
    expect(rattles.disposition).toBe('replace')
    expect(rattles.why).toContain('fuel has been inside, and will be again')
    const dry = judgeMeasured(
      { code: 'float', kind: 'float' },
      { what: 'mass' },
      { what: 'mass', value: spec.float.floatMass, sigma: 0.05 },
      spec,
      at24,
    )
    expect(isRefusal(dry) ? '' : dry.sentence).not.toContain('dry')
  })
})
