import { describe, expect, it } from 'vitest'
import { complained, finding, JOB, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { weighCauses } from '../causes/index.ts'
import { causes as carburetor } from '../complaint/index.ts'
import { fold, type DataOf, type UnsentEntry } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { causesFor, firstCauses, networkOf, outsideCauses, signs, why } from './index.ts'

const sheets = sheetsFor('K-4417-2S')
const job = (complaint: Partial<DataOf['job.opened']['complaint']>, ...more: UnsentEntry[]) =>
  fold(JOB, complained('K-4417-2S', complaint, ...more))
const asked = (...args: Parameters<typeof job>) => {
  const answer = why(job(...args), { 1: sheets })
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return answer
}
const p = (answer: ReturnType<typeof asked>, code: string) =>
  answer.causes.find((one) => one.code === code)!.p
const sign = (n: number, about: string, state: 'present' | 'absent' | 'not asked') =>
  unsent(n, 'sign.seen', { about, name: about, state, words: '' })

describe('why', () => {
  it('flooding while parked is the needle first, and nothing of the ignition', () => {
    const answer = asked({ symptom: 'flooding', when: 'parked' })
    expect(answer.causes[0]!.code).toBe('needle')
    expect(p(answer, 'needle')).toBeGreaterThan(3 * p(answer, 'plug.fouled'))
  })
  it('hunting on an engine with a governor: holding its lever settles it soonest of what is outside', () => {
    const before = asked({ symptom: 'hunting' })
    expect(p(before, 'governor')).toBeGreaterThan(0.05)
    const ruledOut = asked({ symptom: 'hunting' }, sign(3, 'governor', 'absent'))
    expect(p(ruledOut, 'governor')).toBe(0)
    // What it explained has to come of something else.
    expect(p(ruledOut, 'manifold.leak')).toBeGreaterThan(p(before, 'manifold.leak'))
  })
  it('a level seen above its mark makes what lifts it likelier, one at its mark less likely; unseen changes nothing', () => {
    const look = (seen: 'above' | 'at' | 'none') =>
      unsent(3, 'asfound.seen', { look: 'level', seen, mm: null }, { body: 1 })
    const before = asked({ symptom: 'flooding' })
    const high = asked({ symptom: 'flooding' }, look('above'))
    const right = asked({ symptom: 'flooding' }, look('at'))
    const unseen = asked({ symptom: 'flooding' }, look('none'))
    expect(p(high, 'level.high')).toBeGreaterThan(1.5 * p(before, 'level.high'))
    expect(p(right, 'level.high')).toBeLessThan(0.5 * p(before, 'level.high'))
    expect(p(unseen, 'level.high')).toBeCloseTo(p(before, 'level.high'), 9)
  })
  it('one that is found explains it: the others fall', () => {
    const before = asked({ symptom: 'flooding' })
    const after = asked(
      { symptom: 'flooding' },
      unsent(3, 'part.off', { position: 'float', tray: 'B' }),
      unsent(4, 'finding.judged', finding('float', 'replace', 'soaked')),
    )
    expect(after.causes[0]).toMatchObject({ code: 'float', standing: 'found' })
    expect(p(after, 'float')).toBeCloseTo(1, 9)
    expect(p(after, 'needle')).toBeLessThan(p(before, 'needle') / 2)
    // A soaked float brings flooding seven times in ten.
    expect(after.explained).toBeCloseTo(0.7, 9)
    expect(before.explained).toBe(0)
  })
  it('with the choke half on it runs better: lean causes rise, rich ones fall', () => {
    const before = asked({ symptom: 'flat spot' })
    const better = asked({ symptom: 'flat spot' }, sign(3, 'sign.choke-helps', 'present'))
    expect(p(better, 'main.jet')).toBeGreaterThan(p(before, 'main.jet'))
    const not = asked({ symptom: 'flat spot' }, sign(3, 'sign.choke-helps', 'absent'))
    expect(p(not, 'main.jet')).toBeLessThan(p(before, 'main.jet'))
  })
  it('asks a look of a minute before one that takes the cover off', () => {
    const answer = asked({ symptom: 'surge', band: 'wide open' })
    expect(answer.next!.minutes).toBeLessThan(10)
    const later = asked({ symptom: 'surge', band: 'wide open' }, sign(3, answer.next!.code, 'not asked'))
    expect(later.next!.code).not.toBe(answer.next!.code)
  })
  it('what this shop has met counts beside the judgement', () => {
    const state = job({ symptom: 'surge' })
    const usual = why(state, { 1: sheets })
    const here = why(state, { 1: sheets }, { answered: 20, causes: { 'tank.vent': 12 } })
    if (isRefusal(usual) || isRefusal(here)) throw new Error('refused')
    expect(p(here, 'tank.vent')).toBeGreaterThan(2 * p(usual, 'tank.vent'))
    // (0.7 + 12) of (40 + 20) complaints.
    expect(here.causes.find(({ code }) => code === 'tank.vent')!.prior).toBeCloseTo(12.7 / 60, 6)
  })
  it('is the same as every set of causes counted, where the network is cut to twelve of them', () => {
    const twelve = causesFor(sheets, false).slice(0, 12)
    const network = networkOf(twelve)
    const seen = {
      'symptom:flooding': 'present',
      'test:inlet': 'present',
      'symptom:surge': 'absent',
    } as const
    const exact = weighCauses(network, seen)
    // One cause that cannot be makes thirteen, which are weighed by inclusion and exclusion.
    const thirteen = weighCauses(
      { ...network, causes: [...network.causes, { id: 'nothing', prior: 0 }] },
      seen,
    )
    if (isRefusal(exact) || isRefusal(thirteen)) throw new Error('refused')
    for (const { code } of twelve) expect(thirteen.posterior[code]).toBeCloseTo(exact.posterior[code]!, 9)
  })
  it('a list number without an accelerator pump has none to blame', () => {
    const slide = sheetsFor('S26-14F')
    expect(causesFor(slide, false).some(({ code }) => code === 'pump')).toBe(false)
    expect(causesFor(sheets, false).some(({ code }) => code === 'pump')).toBe(true)
  })
})

describe('the table', () => {
  const known = new Set([...carburetor, ...outsideCauses].map(({ code }) => code))
  it('has every code once', () => expect(known.size).toBe(carburetor.length + outsideCauses.length))
  it('gives every sign to causes that there are, with chances', () => {
    for (const { weights, leak } of signs) {
      expect(leak).toBeGreaterThan(0)
      for (const [code, w] of Object.entries(weights)) {
        expect(known, code).toContain(code)
        expect(w).toBeGreaterThan(0)
        expect(w).toBeLessThan(1)
      }
    }
  })
  it('can be weighed: no evidence twice, no weight of an unknown cause', () => {
    expect(isRefusal(weighCauses(networkOf(causesFor(undefined, false)), {}))).toBe(false)
  })
})

describe('look here first, at the counter', () => {
  const said = (symptom: string, more: object = {}) => ({
    symptom,
    band: 'everywhere',
    temperature: 'both',
    when: 'any time',
    ...more,
  })
  it('is what Why says while nothing was opened: one network, one answer', () => {
    const first = firstCauses(said('flooding'), {}, sheets)
    const answer = asked({ symptom: 'flooding' })
    for (const { code, p: chance } of first) expect(chance).toBeCloseTo(p(answer, code), 9)
    // In the same order, without what is often met but never floods: an idle jet.
    const likely = answer.causes.filter((one) => one.p >= 1 / 12 && one.brings > 0).map(({ code }) => code)
    expect(first.map(({ code }) => code)).toEqual(likely.slice(0, 4))
    expect(first.map(({ code }) => code)).not.toContain('idle.jet')
  })
  it('names what is not the carburetor where that is likelier', () => {
    const areas = firstCauses(said('hard start', { when: 'cold and damp' })).map(({ area }) => area)
    expect(areas.some((area) => area !== 'carburetor')).toBe(true)
  })
  it('a test that was good clears what it clears', () => {
    const chance = (tests: Parameters<typeof firstCauses>[1]) =>
      firstCauses(said('flooding'), tests, sheets).find(({ code }) => code === 'needle')?.p ?? 0
    expect(chance({ inlet: { result: 'good' } })).toBeLessThan(0.6 * chance({}))
    expect(chance({ inlet: { result: 'bad' } })).toBeGreaterThan(chance({}))
  })
  it('the shop’s own answers sharpen it, and nobody is told to look where nothing is wrong', () => {
    const before = firstCauses(said('flooding'), {}, sheets).find(({ code }) => code === 'seat')?.p ?? 0
    const after = firstCauses(said('flooding'), {}, sheets, { answered: 40, causes: { seat: 20 } })
    expect(after.find(({ code }) => code === 'seat')!.p).toBeGreaterThan(before)
    expect(firstCauses(said('none: overhaul'))).toEqual([])
    expect(firstCauses(said(''))).toEqual([])
  })
  it('says it for this unit’s kind of screw, and leaves out what it does not have', () => {
    const slide = sheetsFor('S26-14F')
    expect(firstCauses(said('bog on opening'), {}, slide).some(({ code }) => code === 'pump')).toBe(false)
    expect(firstCauses(said('bog on opening'), {}, sheets).some(({ code }) => code === 'pump')).toBe(true)
  })
})
