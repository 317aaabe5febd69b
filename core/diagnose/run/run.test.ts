import { describe, expect, it } from 'vitest'
import type { BlipPart, RunBand, RunEntry, RunNote } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { betweenStumbles, readRun, runAlarms, screwAnswer, screwRun, type ScrewAnswer } from './index.ts'

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
  it('that has no effect over a full turn is told of its circuit', () => {
    const run = screwRun(log(turn(0.5, 700), turn(1, 704), turn(1.6, 698)), 'mixture.turns/L', 'fuel', 20)
    expect(isRefusal(run) && run.refused.why).toMatch(/has no effect over a full turn/)
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

describe('where a screw is left', () => {
  const left = 'mixture.turns/L'
  const rpm = (turns: number, reading: number): RunNote => ({
    what: 'mixture',
    screw: left,
    name: 'Mixture, left',
    turns,
    reading,
    unit: 'rpm',
  })
  const stumble = (turns: number): RunNote => ({ what: 'stumble', screw: left, name: 'Mixture, left', turns })
  // A parabola with its top at 1.6: 20 rpm below it on the lean side of a fuel screw lies √(20/80) = 0.5 further in.
  const speed = (t: number) => 800 - 80 * (t - 1.6) ** 2
  const around = [0.8, 1.2, 1.6, 2, 2.4].map((t) => rpm(t, speed(t)))
  it('is one answer with its rule: the lean drop from the fastest idle', () => {
    const one = screwAnswer(log(...around), left, 'fuel', 20)
    expect(one).toMatchObject({ rule: 'lean drop', leaner: 'in' })
    expect((one as ScrewAnswer).turns).toBeCloseTo(1.1, 2)
  })
  it('two stumbles go before it: their middle', () =>
    expect(screwAnswer(log(...around, stumble(0.75), stumble(2)), left, 'fuel', 20)).toMatchObject({
      turns: 1.375,
      rule: 'midpoint of two stumbles',
    }))
  it('never on the seat: a screw that wants to be shut has another cause', () => {
    const shut = [0, 0.25, 0.5, 0.75, 1].map((t) => rpm(t, 800 - 300 * (t - 0.3) ** 2))
    expect(screwAnswer(log(...shut), left, 'fuel', 20)).toMatchObject({
      refused: { why: expect.stringMatching(/idle jet too large.*Never leave it seated/) as string },
    })
    expect(screwAnswer(log(stumble(0), stumble(0.25)), left, 'air', 20)).toMatchObject({
      refused: { why: expect.stringMatching(/too small or blocked/) as string },
    })
  })
  it('a peak that is wider than its own place asks for more readings', () => {
    const rough = [rpm(0, 790), rpm(0.5, 802), rpm(1, 786), rpm(1.5, 801), rpm(2, 780)]
    expect(screwAnswer(log(...rough), left, 'fuel', 5)).toMatchObject({
      refused: { why: expect.stringMatching(/one more on each side|further/) as string },
    })
  })
})

describe('plugs and blip, throttle position by throttle position', () => {
  const blip = (part: BlipPart, black?: boolean): RunNote => ({
    what: 'blip',
    part,
    bad: true,
    ...(black && { black }),
  })
  const plug = (band: string, colour: 'white' | 'tan' | 'black' | 'wet'): RunNote => ({
    what: 'plug',
    band,
    colour,
  })
  const sides = (...notes: RunNote[]) =>
    Object.fromEntries(readRun(log(...notes)).map(({ band, side }) => [band, side]))
  it('a stumble on opening is lean, a sag after release rich, a hang lean or an air leak', () => {
    expect(sides(blip('opening'))).toEqual({ 'just off idle': 'lean' })
    expect(sides(blip('after'))).toEqual({ idle: 'rich' })
    expect(sides(blip('release'))).toEqual({ idle: 'air leak' })
    expect(sides(blip('release'), blip('overrun'))).toEqual({ idle: 'lean' })
  })
  it('a stumble with black smoke, or with black plugs at idle, is rich', () => {
    expect(sides(blip('opening', true))['just off idle']).toBe('rich')
    expect(sides(blip('opening'), plug('idle', 'black'))['just off idle']).toBe('rich')
  })
  it('plugs go before a single blip, each at its own throttle position', () => {
    expect(sides(blip('after'), plug('idle', 'white'))).toEqual({ idle: 'lean' })
    expect(sides(plug('wide open', 'white'), plug('idle', 'black'))).toEqual({
      idle: 'rich',
      'wide open': 'lean',
    })
    expect(sides(blip('after'), plug('idle', 'tan'))).toEqual({ idle: null })
  })
  it('what speaks both ways says neither, and hunting nothing', () => {
    expect(sides(blip('after'), blip('release'))).toEqual({ idle: null })
    expect(sides(blip('steady'))).toEqual({ idle: null })
  })
  it('what was seen last of a part counts', () =>
    expect(readRun(log(blip('after'), { what: 'blip', part: 'after', bad: false }))).toEqual([]))
  it('wet plugs say spark first', () =>
    expect(readRun(log(plug('idle', 'wet')))[0]!.because[0]).toMatch(/Spark first/))
})

describe('one change at a time', () => {
  const change = (of: string, way: 'richer' | 'leaner' | 'other', band?: RunBand): RunNote => ({
    what: 'change',
    of,
    way,
    expects: '',
    ...(band && { band }),
  })
  const sag: RunNote = { what: 'blip', part: 'after', bad: true }
  const leanOpen: RunNote = { what: 'plug', band: 'wide open', colour: 'white' }
  it('an alarm goes by the throttle position that the change works at', () => {
    expect(runAlarms(log(sag, change('idle jet up', 'richer')))[0]).toMatch(/idle it was found rich/)
    expect(runAlarms(log(sag, change('idle jet down', 'leaner')))).toEqual([])
    // A rich idle says nothing against a larger main jet where wide open is lean.
    expect(runAlarms(log(sag, leanOpen, change('main jet 1.45 to 1.50', 'richer')))).toEqual([])
    expect(runAlarms(log(sag, leanOpen, change('main jet 1.45 to 1.40', 'leaner')))[0]).toMatch(
      /wide open it was found lean/,
    )
  })
  it('where somebody says which position it works at, that goes before its name', () =>
    expect(runAlarms(log(leanOpen, change('a bleed', 'leaner', 'wide open')))[0]).toMatch(/wide open/))
  it('richer where a hang may be an air leak sends to the leak first', () =>
    expect(
      runAlarms(log({ what: 'blip', part: 'release', bad: true }, change('idle jet up', 'richer')))[0],
    ).toMatch(/find the leak first/))
  it('two before anybody looked cannot be told apart; with an effect between they can', () => {
    const a = change('idle jet', 'other')
    const b = change('needle clip', 'other')
    expect(runAlarms(log(a, b))[0]).toMatch(/needle clip was changed before anybody noted what idle jet did/)
    expect(runAlarms(log(a, { what: 'effect', seen: 'same' }, b))).toEqual([])
  })
})
