import { describe, expect, it } from 'vitest'
import type { RunEntry, RunNote } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { betweenStumbles, readRun, runAlarms, screwRun } from './index.ts'

const log = (...notes: RunNote[]): RunEntry[] =>
  notes.map((note, i) => ({
    ...note,
    words: '',
    by: 'I. Marrow',
    at: '2026-11-26T10:00:00Z',
    entry: String(i),
  }))
const turn = (turns: number, reading: number): RunNote => ({
  what: 'mixture',
  screw: 'mixture.turns/L',
  name: 'Mixture, left',
  turns,
  reading,
  unit: 'rpm',
})
const parabola = (t: number) => 800 - 60 * (t - 1.5) ** 2

describe('a mixture screw on the engine', () => {
  it('gives the peak that its readings lie on, and the lean drop on the side that leans', () => {
    const run = log(...[0.75, 1.125, 1.5, 1.875, 2.25].map((t) => turn(t, parabola(t))))
    const fuel = screwRun(run, 'mixture.turns/L', 'fuel', 20)
    if (isRefusal(fuel)) throw new Error(fuel.refused.why)
    // √(20/60) = 0.577 in for a fuel screw, as far out for an air screw.
    expect(fuel.peak).toBeCloseTo(1.5, 2)
    expect(fuel.leanDropAt).toBeCloseTo(1.5 - 0.577, 2)
    expect(fuel.sigma).toBeLessThan(0.02)
    const air = screwRun(run, 'mixture.turns/L', 'air', 20)
    if (isRefusal(air)) throw new Error(air.refused.why)
    expect(air.leanDropAt).toBeCloseTo(1.5 + 0.577, 2)
    expect(air.leaner).toBe('out')
  })
  it('is less sure of it where the readings scatter', () => {
    const noisy = [12, -10, 9, -12, 8, -9].map((by, i) => turn(0.75 + i * 0.3, parabola(0.75 + i * 0.3) + by))
    const run = screwRun(log(...noisy), 'mixture.turns/L', 'fuel', 10)
    if (isRefusal(run)) throw new Error(run.refused.why)
    expect(run.sigma).toBeGreaterThan(0.03)
  })
  it('that changes nothing over a whole turn is told of its circuit', () => {
    const run = screwRun(log(turn(0.5, 700), turn(1, 704), turn(1.6, 698)), 'mixture.turns/L', 'fuel', 20)
    expect(isRefusal(run) && run.refused.why).toMatch(/changes nothing over a whole turn/)
  })
  it('asks for the reading that is missing', () => {
    const run = screwRun(
      log(turn(1, 700), turn(1.2, 720), turn(1.4, 740), turn(1.6, 760)),
      'mixture.turns/L',
      'fuel',
      20,
    )
    expect(isRefusal(run) && run.refused.why).toMatch(/one further out/)
  })
  it('stands half-way between two stumbles', () => {
    const at = (turns: number): RunNote => ({
      what: 'stumble',
      screw: 'mixture.turns/L',
      name: 'Mixture, left',
      turns,
    })
    expect(betweenStumbles(log(at(0.75), at(2.25)), 'mixture.turns/L')).toBe(1.5)
    expect(betweenStumbles(log(at(0.75)), 'mixture.turns/L')).toBeNull()
  })
})

describe('the blip in its three parts', () => {
  const blip = (part: 'opening' | 'release' | 'after' | 'overrun' | 'steady'): RunNote => ({
    what: 'blip',
    part,
    bad: true,
  })
  it('a stumble on opening is lean, a sag after release rich, a hang lean or an air leak', () => {
    expect(readRun(log(blip('opening'))).side).toBe('lean')
    expect(readRun(log(blip('after'))).side).toBe('rich')
    expect(readRun(log(blip('release'))).side).toBe('air leak')
    expect(readRun(log(blip('release'), blip('opening'))).side).toBe('lean')
  })
  it('hunting says neither by itself', () => expect(readRun(log(blip('steady'))).side).toBeNull())
  it('what was seen last of a part counts', () =>
    expect(readRun(log(blip('after'), { what: 'blip', part: 'after', bad: false })).side).toBeNull())
  it('wet plugs say spark first', () =>
    expect(readRun(log({ what: 'plug', band: 'idle', colour: 'wet' })).because[0]).toMatch(/Spark first/))
})

describe('one change at a time', () => {
  const change = (of: string, way: 'richer' | 'leaner' | 'other'): RunNote => ({
    what: 'change',
    of,
    way,
    expects: '',
  })
  const sag: RunNote = { what: 'blip', part: 'after', bad: true }
  it('richer where it was found rich raises an alarm', () => {
    expect(runAlarms(log(sag, change('main jet 1.45 to 1.50', 'richer')))[0]).toMatch(/found rich/)
    expect(runAlarms(log(sag, change('main jet 1.45 to 1.40', 'leaner')))).toEqual([])
  })
  it('richer where a hang may be an air leak sends to the leak first', () =>
    expect(
      runAlarms(log({ what: 'blip', part: 'release', bad: true }, change('idle jet up', 'richer')))[0],
    ).toMatch(/leak first/))
  it('two before anybody looked cannot be told apart; with an effect between they can', () => {
    const a = change('idle jet', 'other')
    const b = change('needle clip', 'other')
    expect(runAlarms(log(a, b))[0]).toMatch(/needle clip was changed before anybody said what idle jet did/)
    expect(runAlarms(log(a, { what: 'effect', seen: 'same' }, b))).toEqual([])
  })
})
