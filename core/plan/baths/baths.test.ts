import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ferrySheets, finding, identified, JOB, opening, placed, unsent } from '../../../demo/log-entries.ts'
import { fold, type DataOf } from '../../log/index.ts'
import { admit } from '../../bench/admit/index.ts'
import { bathItems, faceAt, litresOf, planBaths, together, washOf, whereIs, type BathItem } from './index.ts'

const sheets = ferrySheets()
const MINUTE = 60_000
const NOW = Date.parse('2026-11-26T10:00:00Z')

const item = (number: number, kind: BathItem['kind'], material: string, promise: string): BathItem => ({
  job: String(number),
  number,
  body: 1,
  position: `${kind}${number}`,
  name: kind,
  kind,
  wash: washOf({ kind, material }),
  promise,
  state: 'waits',
  sinceMs: 0,
})

describe('what may go into a bath', () => {
  it('keeps floats, rubber and coils out, each with how it is cleaned instead', () => {
    for (const [kind, material] of [
      ['float', 'brass'],
      ['diaphragm', 'rubber'],
      ['coil', 'steel'],
      ['needle', 'steel, soft tip'],
      ['jet', 'plastic'],
      ['cover', 'nobody knows'],
    ] as const) {
      const wash = washOf({ kind, material })
      expect(wash.bath, `${kind} of ${material}`).toBe('none')
      expect(wash.why.length).toBeGreaterThan(8)
    }
  })
  it('the strictest decides: zinc makes a load neutral and 50 °C, whatever else is in it', () => {
    const load = together([
      washOf({ kind: 'link', material: 'steel' }),
      washOf({ kind: 'cover', material: 'zinc' }),
      washOf({ kind: 'jet', material: 'brass' }),
    ])!
    expect(load).toMatchObject({ fluid: 'neutral', mostC: 50, minutesAFace: 12, faces: 2 })
    expect(together([washOf({ kind: 'link', material: 'steel' })])).toMatchObject({
      fluid: 'alkaline',
      mostC: 65,
    })
  })
})

describe('the plan of a tank of 5 litres', () => {
  const two = [
    item(1192, 'body', 'zinc', '2026-11-30'),
    item(1188, 'cover', 'zinc', '2026-11-27'),
    item(1192, 'cover', 'zinc', '2026-11-30'),
    item(1188, 'body', 'zinc', '2026-11-27'),
  ]
  it('takes the job that is promised soonest first, and parts of two jobs where they have room together', () => {
    const { loads } = planBaths(two, 5, NOW)
    // 2.2 + 1.1 of the one and 1.1 of the other are 4.4 litres; the second body has no room.
    expect(loads.map(({ items }) => items.map(({ number, kind }) => `${kind} ${number}`))).toEqual([
      ['body 1188', 'cover 1188', 'cover 1192'],
      ['body 1192'],
    ])
    // Three faces of 12 minutes and two turns.
    expect(loads[0]).toMatchObject({ minutes: 38, startMs: NOW, endMs: NOW + 38 * MINUTE })
    expect(loads[1]!.startMs).toBe(NOW + 42 * MINUTE)
  })
  it('what is in runs to its end, face by face', () => {
    const inside = two.map((one) => ({ ...one, state: 'in' as const, sinceMs: NOW - 14 * MINUTE }))
    const plan = planBaths(inside, 10, NOW)
    expect(plan.loads).toEqual([])
    expect(plan.inside!.endMs).toBe(NOW + 24 * MINUTE)
    // 12 minutes and the turn are over: the second face is up until 12 + 1 + 12.
    expect(faceAt(plan.inside!, NOW)).toEqual({ face: 2, untilMs: NOW + 11 * MINUTE })
    expect(faceAt(plan.inside!, NOW + 24 * MINUTE)).toBeNull()
  })
  it('loses nothing, overfills nothing and puts nothing in that must stay out', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom('body', 'cover', 'jet', 'float', 'diaphragm', 'link'),
            material: fc.constantFrom('zinc', 'brass', 'steel', 'rubber'),
            day: fc.integer({ min: 10, max: 28 }),
          }),
          { maxLength: 30 },
        ),
        (wanted) => {
          const items = wanted.map(({ kind, material, day }, i) => item(i, kind, material, `2026-11-${day}`))
          const { loads, byHand } = planBaths(items, 4, NOW)
          const planned = loads.flatMap(({ items: inside }) => inside)
          expect([...planned, ...byHand].map(({ number }) => number).sort((a, b) => a - b)).toEqual(
            items.map(({ number }) => number),
          )
          for (const load of loads) {
            expect(load.items.reduce((sum, { kind }) => sum + litresOf(kind), 0)).toBeLessThanOrEqual(
              4 + 1e-9,
            )
            for (const { wash } of load.items) {
              expect(wash.bath).toBe('warm')
              expect(load.wash.mostC).toBeLessThanOrEqual(wash.mostC)
            }
          }
        },
      ),
    ))
})

describe('where everything is', () => {
  type Some = { [K in keyof DataOf]: [K, DataOf[K]] }[keyof DataOf]
  const after = (...entries: Some[]) =>
    fold(
      JOB,
      ([['job.opened', opening], ['ident.chosen', identified], ...entries] as Some[]).map(([kind, data], i) =>
        placed(unsent(i + 1, kind, data), i + 1),
      ),
    )
  const off: Some = ['part.off', { position: 'jet.main/P', tray: 'C' }]
  const varnished: Some = [
    'finding.judged',
    {
      ...finding('jet.main/P', 'reuse', 'varnished'),
      shown: { disposition: 'clean', sure: true, sentence: '', rule: '', limit: null },
    },
  ]
  const into: Some = ['bath.in', { positions: ['jet.main/P'], minutes: 8, celsius: 50 }]
  const out: Some = ['bath.out', { positions: ['jet.main/P'] }]
  it('a jet goes from its tray into the bath, dries twenty minutes, is measured again, and is clean', () => {
    const at = (state: ReturnType<typeof after>, ms = Date.parse(state.log.at(-1)!.at)) =>
      whereIs(state, sheets, 1, ms)['jet.main/P']
    expect(at(after(off, varnished))).toBe('tray')
    expect(at(after(off, varnished, into))).toBe('bath')
    const rinsed = after(off, varnished, into, out)
    expect(at(rinsed)).toBe('drying')
    expect(at(rinsed, Date.parse(rinsed.log.at(-1)!.at) + 21 * MINUTE)).toBe('to measure')
    const measured = after(off, varnished, into, out, ['finding.judged', finding('jet.main/P', 'reuse')])
    expect(at(measured, Date.parse(measured.log.at(-1)!.at) + 21 * MINUTE)).toBe('clean')
  })
  it('a float is turned away by name, and so is a bath too hot for zinc', () => {
    const state = after(
      off,
      ['part.off', { position: 'float', tray: 'B' }],
      ['part.off', { position: 'cover', tray: 'B' }],
    )
    const no = (data: DataOf['bath.in']) => admit(state, unsent(9, 'bath.in', data), { 1: sheets })
    expect(no({ positions: ['float'], minutes: 8, celsius: 50 })).toMatchObject({
      code: 'no bath',
      sentence: expect.stringContaining('heat opens a seam') as string,
    })
    expect(no({ positions: ['cover'], minutes: 8, celsius: 65 })).toMatchObject({ code: 'too hot' })
    expect(no({ positions: ['seat'], minutes: 8, celsius: 50 })).toMatchObject({ code: 'still on' })
    expect(no({ positions: ['cover'], minutes: 24, celsius: 50 })).toBeUndefined()
  })
  it('what is renewed anyway waits for no bath', () => {
    const names = (state: ReturnType<typeof after>) =>
      bathItems(state, { 1: sheets }, 1, NOW).map(({ position }) => position)
    expect(names(after(off, varnished))).toEqual(['jet.main/P'])
    expect(names(after(off, ['finding.judged', finding('jet.main/P', 'replace', 'drilled')]))).toEqual([])
  })
})
