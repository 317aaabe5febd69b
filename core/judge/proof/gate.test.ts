import { describe, expect, it } from 'vitest'
import { JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { models } from '../../../demo/catalogue.ts'
import { familyOf } from '../../unit/families/index.ts'
import { fold, type DataOf, type UnsentEntry, type ProofMeasured } from '../../log/index.ts'
import { admit } from '../../bench/admit/index.ts'
import { gatePoints, stationsByName, viewOf } from '../../bench/stations/index.ts'
import { proofsOf, proofStanding, type Proof } from './index.ts'

/** One list number of each family. */
const families = [
  ...new Map(
    models().map((model) => {
      const { number } = model.listNumbers[0]!
      return [familyOf(sheetsFor(number)), number] as const
    }),
  ),
]

let n = 10
const next = <K extends keyof DataOf>(kind: K, data: DataOf[K], body?: number): UnsentEntry => ({
  ...unsent(++n, kind, data),
  ...(body ? { body } : {}),
})
const good: Record<ProofMeasured['what'], ProofMeasured> = {
  hold: {
    what: 'hold',
    side: 'pressure',
    fromKpa: 40,
    toKpa: 39,
    seconds: 30,
    volumeMl: 9,
    limit: 2,
    leak: 0.2,
    low: 0.1,
    high: 0.3,
    verdict: 'slow',
    law: 'laminar',
    popOffKpa: null,
    reseatKpa: null,
  },
  lifts: { what: 'lifts', clean: 10, of: 10, spreadKpa: null },
  level: {
    what: 'level',
    belowFace: 15,
    expected: 15,
    lo: 14,
    hi: 16,
    pressureKpa: 20,
    densityKgM3: 760,
    tiltDeg: 0,
    atEngine: 15,
  },
  weep: { what: 'weep', seconds: 620, wanted: 600, tapped: true, places: [{ name: 'Inlet', wetAt: null }] },
  pump: { what: 'pump', ml: 10, strokes: 10, atOnce: true, lo: 8, hi: 12 },
  travel: {
    what: 'travel',
    samples: [],
    gain: 1.1,
    secondsTo95: 60,
    limit: 90,
    amps: null,
    ampsLo: null,
    ampsHi: null,
  },
  seen: { what: 'seen', yes: true, words: '' },
  alike: { what: 'alike', unit: 'mbar', readings: [250, 252], lead: 0, allowed: 10, turned: [] },
}
const measured = (proof: Proof, it: ProofMeasured, body?: number) =>
  next(
    'proof.measured',
    {
      proof: proof.key,
      name: proof.name,
      measured: it,
      wants: proof.wants,
      value: 'x',
      headline: '',
      meaning: '',
      instrument: null,
      trace: null,
    },
    body,
  )

function jobOf(listNumber: string, bodies = 1) {
  const sheets = sheetsFor(listNumber)
  const all = Object.fromEntries(Array.from({ length: bodies }, (_, i) => [i + 1, sheets]))
  const first = [
    unsent(1, 'job.opened', { ...opening, bodies }),
    ...Array.from({ length: bodies }, (_, i) => ({
      ...unsent(2 + i, 'ident.chosen', {
        listNumber,
        specRev: sheets.specRev,
        buildRev: sheets.buildRev,
        p: 1,
        runnerUp: null,
      }),
      body: i + 1,
    })),
  ]
  const state = (...more: UnsentEntry[]) =>
    fold(
      JOB,
      [...first, ...more].map((entry, i) => placed(entry, i + 1)),
    )
  const proofs = proofsOf({ state: state(), sheets, body: 1 })
  const proofPoints = (...more: UnsentEntry[]) =>
    gatePoints(state(...more), all).filter(({ point }) => /(^|#)proof(:|$)/.test(point))
  return { sheets, all, state, proofs, proofPoints }
}
const provable = (proofs: readonly Proof[]) => proofs.filter((proof) => proof.how !== 'ports')

describe('a proof at the gate', () => {
  it('covers every family', () => expect(families.map(([family]) => family).sort()).toHaveLength(7))

  it.each(families)(
    '%s: with nothing proved it is one point, which a reason and a second name may pass',
    (_, number) => {
      const { proofPoints } = jobOf(number)
      expect(proofPoints()).toMatchObject([
        { point: 'proof', passable: true, station: 'prove', passed: null },
      ])
      const passed = proofPoints(
        next('gate.passed', { point: 'proof', why: 'stand taken', second: 'O. Dell' }),
      )
      expect(passed[0]!.passed).toMatchObject({ why: 'stand taken' })
    },
  )

  it.each(families)(
    '%s: once one is proved each other one stands by name, and that first pass does not cover it',
    (_, number) => {
      const { proofs, proofPoints } = jobOf(number)
      const [first, ...rest] = provable(proofs)
      const points = proofPoints(
        next('gate.passed', { point: 'proof', why: 'stand taken', second: 'O. Dell' }),
        measured(first!, good[first!.how as ProofMeasured['what']]),
      )
      expect(points.map(({ point }) => point)).toEqual(rest.map(({ key }) => `proof:${key}`))
      expect(points.every(({ passed }) => passed === null)).toBe(true)
    },
  )

  it.each(families)('%s: all of them measured good, no point is left', (_, number) => {
    const { proofs, proofPoints, state, sheets } = jobOf(number)
    const done = provable(proofs).map((proof) => measured(proof, good[proof.how as ProofMeasured['what']]))
    expect(proofPoints(...done)).toEqual([])
    for (const proof of provable(proofs))
      expect(proofStanding({ state: state(...done), sheets, body: 1 }, proof).state).toBe('proved')
  })

  it.each(families)(
    '%s: a proof of before the float’s carrier came off again is void, by name',
    (_, number) => {
      const { proofs, proofPoints, sheets } = jobOf(number)
      const inlet = proofs.find(({ code }) => code === 'inlet')!
      const cover = [...inlet.rests, ...inlet.opens]
        .map((code) => sheets.build.positions.find((one) => one.code === code)!)
        .find(({ stays }) => !stays)!
      const points = proofPoints(
        measured(inlet, good.hold),
        next('part.off', { position: cover.code, tray: 'A' }),
      )
      const point = points.find(({ point: named }) => named === 'proof:inlet')!
      expect(point.title).toMatch(/: redo/)
      expect(point.detail).toContain(cover.name.toLowerCase())
    },
  )

  it.each(families)('%s: a needle that leaks fails, and the word proved is nowhere', (_, number) => {
    const { proofs, proofPoints, state, all, sheets } = jobOf(number)
    const inlet = proofs.find(({ code }) => code === 'inlet')!
    const leaks = measured(inlet, { ...good.hold, leak: 9, low: 8, high: 10 } as ProofMeasured)
    expect(proofPoints(leaks).find(({ point }) => point === 'proof:inlet')!.title).toBe(
      'Inlet under air failed',
    )
    const prove = stationsByName.prove
    const view = { ...viewOf(state(leaks), all, 1), sheets }
    expect(prove.state(view)).toBe('again')
    expect(prove.line(view, () => 0)).toBe('inlet under air failed')
  })

  it('a level proved and the height set again after it is void', () => {
    const { proofs, proofPoints } = jobOf('K-4417-2S')
    const level = proofs.find(({ code }) => code === 'level')!
    const points = proofPoints(
      measured(level, good.level),
      next('reading.taken', {
        code: 'float.height',
        place: 'none',
        raw: '13.4',
        value: 13.4,
        gauge: null,
        sigma: null,
        bracket: null,
        specRev: 'x',
        shown: {
          verdict: 'in',
          pIn: 1,
          headline: '',
          meaning: '',
          remedy: null,
          facts: [],
          assumes: [],
          asWritten: '',
          target: 13.5,
          lo: 13,
          hi: 14,
        },
      }),
    )
    expect(points.find(({ point }) => point === 'proof:level')!.detail).toBe(
      'float height was opened or set since',
    )
  })

  it('of a bank what is proved on one body is not taken as proved of another', () => {
    const { proofs, proofPoints } = jobOf(
      models().find(({ code }) => code === 'B34')!.listNumbers[0]!.number,
      4,
    )
    const done = provable(proofs).map((proof) => measured(proof, good[proof.how as ProofMeasured['what']], 1))
    const points = proofPoints(...done)
    expect(points.length).toBeGreaterThan(0)
    expect(points.every(({ body }) => body > 1)).toBe(true)
    expect(
      points.some(({ point, title }) => point === '3#proof:inlet' && title.startsWith('Carburetor 3:')),
    ).toBe(true)
  })

  it('only when fitted needs a second name, stands with its reason, and a later measurement takes its place', () => {
    const { proofs, state, sheets } = jobOf('K-4417-2S')
    const weep = proofs.find(({ code }) => code === 'weep')!
    const left = next('proof.fitted', {
      proof: 'weep',
      name: weep.name,
      why: 'no adapter for this inlet',
      second: 'O. Dell',
    })
    expect(proofStanding({ state: state(left), sheets, body: 1 }, weep)).toMatchObject({
      state: 'fitted',
      why: 'no adapter for this inlet',
      second: 'O. Dell',
    })
    expect(
      proofStanding({ state: state(left, measured(weep, good.weep)), sheets, body: 1 }, weep).state,
    ).toBe('proved')
    // What a hand and an eye show needs no adapter: no reason puts it off.
    const choke = proofs.find(({ code }) => code === 'choke')!
    const put = next('proof.fitted', { proof: 'choke', name: choke.name, why: 'no time', second: 'O. Dell' })
    expect(proofStanding({ state: state(put), sheets, body: 1 }, choke).state).toBe('not yet')
    expect(admit(state(), put, { 1: sheets })?.code).toBe('made here')
  })
})
