import { describe, expect, it } from 'vitest'
import { ferrySheets, sheetsFor } from '../../../demo/log-entries.ts'
import { everySheets } from '../../../demo/every-sheet.ts'
import { bands, symptoms, temperatures, whens } from '../../log/index.ts'
import { causes } from './causes.ts'
import { firstLooks, lookFirst, type Said } from './index.ts'

const said = (more: Partial<Said>): Said => ({
  symptom: 'flooding',
  band: 'everywhere',
  temperature: 'both',
  when: 'any time',
  ...more,
})
const first = (more: Partial<Said>, tests = {}) => lookFirst(said(more), tests)[0]!.code

describe('look here first', () => {
  it('flooding: the needle before all else; after a slope the float and its level move up', () => {
    expect(first({})).toBe('needle')
    const flat = lookFirst(said({}))
    const slope = lookFirst(said({ when: 'on a slope' }))
    const share = (list: typeof flat, code: string) => list.find((s) => s.code === code)!.share
    expect(share(slope, 'level.high')).toBeGreaterThan(share(flat, 'level.high'))
    expect(share(slope, 'float')).toBeGreaterThan(share(flat, 'float'))
  })
  it('worked by hand: the share of the needle for flooding, nothing else known', () => {
    // prior × chance of each cause that names flooding, and 0.02 × prior of each that does not.
    const named = [
      3 * 0.8,
      1.6 * 0.7,
      1.5 * 0.7,
      1.2 * 0.4,
      0.4 * 0.05,
      1.5 * 0.1,
      0.7 * 0.1,
      0.5 * 0.15,
      0.4 * 0.3,
      0.5 * 0.3,
      1 * 0.4,
    ]
    const sum = named.reduce((a, b) => a + b, 0)
    // Priors of the causes that do not name it: 0.8 + 3 + 1.8 + 1 + 1.8 + 2 + 0.9 + 1.6 + 0.9 + 0.8 + 0.4 + 1.2 + 1 + 0.35 + 0.8, and 0.8 of the solenoid.
    const rest = 0.02 * 19.15
    expect(lookFirst(said({}))[0]!.share).toBeCloseTo(2.4 / (sum + rest), 10)
  })
  it('an inlet that holds pressure clears needle and seat, and says level and float instead', () => {
    const tests = { inlet: { result: 'good' as const } }
    expect(['float', 'level.high']).toContain(first({}, tests))
    expect(first({}, { inlet: { result: 'bad' as const } })).toBe('needle')
    expect(first({}, { inlet: { result: 'none' as const } })).toBe('needle')
  })
  it('names what the trade names first', () => {
    expect(first({ symptom: 'bog on opening', band: 'just off idle' })).toBe('pump')
    expect(first({ symptom: 'runs only on choke', band: 'idle', when: 'after lay-up' })).toBe('idle.jet')
    expect(first({ symptom: 'no top end', band: 'wide open' })).toBe('main.jet')
    expect(first({ symptom: 'hanging idle', band: 'idle' })).toBe('air.leak')
    expect(first({ symptom: 'rattle' })).toBe('loose')
    expect(first({ symptom: 'hard start', temperature: 'cold', when: 'cold and damp' })).toBe('choke')
    expect(first({ symptom: 'hard start', temperature: 'hot', when: 'hot restart' })).toBe('percolation')
    expect(first({ symptom: 'dies on opening', temperature: 'cold', when: 'cold and damp' })).not.toBe(
      'percolation',
    )
    expect(
      lookFirst(said({ symptom: 'weep at a thread' }))
        .slice(0, 3)
        .map((s) => s.code),
    ).toContain('drain.back')
  })
  it('shares sum to one and are sorted, for every complaint there is', () => {
    for (const symptom of symptoms.filter((s) => s !== 'none: overhaul'))
      for (const band of bands)
        for (const temperature of temperatures)
          for (const when of whens) {
            const list = lookFirst({ symptom, band, temperature, when })
            expect(list.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9)
            expect(list.every((s, i) => i === 0 || s.share <= list[i - 1]!.share)).toBe(true)
            const shown = firstLooks(list)
            expect(shown.length).toBeGreaterThan(0)
            expect(shown.length).toBeLessThanOrEqual(4)
          }
  })
  it('a plain overhaul points nowhere', () =>
    expect(lookFirst(said({ symptom: 'none: overhaul' }))).toEqual([]))
  it('leaves out what this list number has no part for, and says which parts would bear it', () => {
    const sheets = ferrySheets()
    const list = lookFirst(said({ symptom: 'hanging idle' }), {}, sheets)
    expect(list.find((s) => s.code === 'slide')?.positions ?? []).not.toContain('slide')
    expect(lookFirst(said({}), {}, sheets)[0]).toMatchObject({ code: 'needle', positions: ['needle'] })
    // The ferry's has neither slide nor metering needle.
    expect(list.map((s) => s.code)).not.toContain('metering')
  })
  it('a leak on a trailer is slosh, one while parked the needle’s', () => {
    expect(first({ symptom: 'leak', when: 'on a trailer' })).toBe('slosh')
    expect(first({ symptom: 'leak', when: 'parked' })).not.toBe('slosh')
    const parked = lookFirst(said({ symptom: 'leak', when: 'parked' })).map(({ code }) => code)
    expect(parked.indexOf('needle')).toBeLessThan(parked.indexOf('slosh'))
  })
  it('a hard start after lay-up: varnish in idle and main jets, and fuel gone stale', () => {
    const list = firstLooks(lookFirst(said({ symptom: 'hard start', when: 'after lay-up' }))).map(
      (s) => s.code,
    )
    expect(list[0]).toBe('idle.jet')
    expect(list).toContain('stale')
    expect(
      lookFirst(said({ symptom: 'hard start', when: 'after lay-up' }))
        .slice(0, 5)
        .map((s) => s.code),
    ).toContain('main.jet')
  })
  it('names an idle jet only where there is one, and by its kind of screw', () => {
    const idle = (number: string) =>
      lookFirst(said({ symptom: 'runs only on choke' }), {}, sheetsFor(number)).find(
        (s) => s.code === 'idle.jet',
      )!
    // The ferry's two-barrel has main jets alone: its idle is a passage.
    expect(idle('K-4417-2S')).toMatchObject({ finding: 'idle passage or its bleed varnished', positions: [] })
    // The slide has an idle jet and an air screw: a starved idle shows far in on it.
    expect(idle('S26-14F').positions).toEqual(['jet.idle'])
    expect(idle('S26-14F').look).toContain('far in')
    expect(idle('S26-14F').look).not.toContain('far out')
  })
  it('no list number is told of a part that it lacks', () => {
    for (const sheets of everySheets())
      for (const symptom of symptoms.filter((s) => s !== 'none: overhaul'))
        for (const { code, positions } of lookFirst(said({ symptom }), {}, sheets)) {
          const cause = causes.find((one) => one.code === code)!
          if (cause.kinds.length && !cause.without)
            expect(positions.length, `${sheets.spec.listNumber} ${code}`).toBeGreaterThan(0)
        }
  })
  it('the table names every symptom of the counter at least twice', () => {
    for (const symptom of symptoms.filter((s) => s !== 'none: overhaul'))
      expect(causes.filter((cause) => symptom in cause.symptoms).length, symptom).toBeGreaterThanOrEqual(2)
  })
})
