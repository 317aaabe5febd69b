import { describe, expect, it } from 'vitest'
import { JOB, identified, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { enterAsFound } from '../../bench/entering/index.ts'
import { fold } from '../../log/index.ts'
import { flowWords } from '../../physics/mixture/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { returnSheet } from '../../bench/return-sheet/index.ts'
import {
  countedFromSeat,
  mixtureKindOf,
  screwFlowOf,
  type SettingSpec,
  type Sheets,
} from '../../sheets/index.ts'
import { judgeSetting, type SettingContext } from './index.ts'

const four = sheetsFor('Q-8010-1S')
const bypass = four.spec.settings.find(({ code }) => code === 'screw.turns')!
const mixture = four.spec.settings.find(({ code }) => code === 'mixture.turns')!
const state = fold(JOB, [
  placed(unsent(1, 'job.opened', opening), 1),
  placed(
    unsent(2, 'ident.chosen', {
      ...identified,
      listNumber: 'Q-8010-1S',
      specRev: four.specRev,
      buildRev: four.buildRev,
    }),
    2,
  ),
])
const context = ({ spec, specRev }: Sheets): SettingContext => ({
  spec,
  specRev,
  gauge: null,
  drawer: [],
  floatHeight: null,
  conditions: workingConditions(opening, spec),
})
const judged = (setting: SettingSpec, eighths: number, sheets: Sheets = four) => {
  const said = judgeSetting(setting, eighths, context(sheets))
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}
const withFlow = (flows: NonNullable<SettingSpec['flows']>): SettingSpec => ({ ...bypass, flows })

describe('several kinds of screws on one unit', () => {
  it('each is told by what flows past its tip, not by where it sits', () => {
    expect(screwFlowOf(bypass, four.spec)).toBe('bypass')
    expect(screwFlowOf(mixture, four.spec)).toBe('fuel')
    expect(mixtureKindOf(bypass, four.spec)).toBeNull()
    // One mixture screw of the two may be an air screw.
    expect(mixtureKindOf({ ...mixture, flows: 'air' }, four.spec)).toBe('air')
    const idle = four.spec.settings.find(({ code }) => code === 'idle.screw')!
    expect(screwFlowOf(idle, four.spec)).toBe('stop')
    expect(countedFromSeat(idle)).toBe(false)
  })
  it('a by-pass screw too far out idles faster, and nobody is told that it is rich', () => {
    // 1 1/4 is wanted, 6 to 16 eighths: 20 eighths are 10 too many.
    const out = judged(bypass, 20)
    expect(out).toMatchObject({ verdict: 'out' })
    expect(JSON.stringify(out)).toContain('idle is faster')
    expect(JSON.stringify(out)).not.toMatch(/rich|lean/i)
    expect(JSON.stringify(judged(bypass, 2))).toContain('idle is slower')
  })
  it('a main needle is richer out wherever it sits; a pump’s start is no mixture', () => {
    expect(JSON.stringify(judged(withFlow('main'), 20))).toContain('Rich under load')
    expect(JSON.stringify(judged(withFlow('main'), 2))).toContain('Lean under load')
    expect(JSON.stringify(judged(withFlow('pump'), 20))).not.toMatch(/rich|lean/i)
  })
  it('an air screw among fuel screws reads the other way round', () => {
    const fuel = JSON.stringify(judged(mixture, 30))
    const air = JSON.stringify(judged({ ...mixture, flows: 'air' }, 30))
    expect(fuel).toContain('Rich of its base')
    expect(air).toContain('Lean of its base')
  })
  it('more turns than its thread has are asked again', () =>
    expect(isRefusal(judgeSetting(bypass, four.spec.mixture.mostEighths + 1, context(four)))).toBe(true))
  it('as found it says what it does, and blames no jet for it', () => {
    const entered = enterAsFound(bypass, '2 1/2', 'seat', four, state, 1)
    if (isRefusal(entered)) throw new Error(entered.refused.why)
    expect(entered.data.shown.meaning).toContain(flowWords.bypass)
    expect(entered.data.shown.meaning).not.toContain('jet')
  })
  it('sheet and card name each with its own way', () => {
    const { mixture: words, startUp } = returnSheet(state, { 1: four }, 1)
    expect(words.words).toContain('By-pass: out is faster')
    expect(words.words.filter((line) => line.includes('in is leaner'))).toHaveLength(2)
    expect(startUp.lines).toContain(
      'By-pass air screw: out is faster, in is slower: air past the plate, not mixture.',
    )
    // A unit with one kind says it once.
    const plain = sheetsFor('K-4417-2S')
    expect(returnSheet(state, { 1: plain }, 1).mixture.words).toEqual(['In is leaner', 'out is richer'])
  })
})
