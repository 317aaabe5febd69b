import { partsTable } from '../../sheets/index.ts'
import { describe, expect, it } from 'vitest'
import { finding, identified, JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { fold, type DataOf } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { lookAlikes, type Deciding } from '../../sheets/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { bowAndTwist } from './warp.ts'
import { ringGrowth } from './step.ts'
import { cannotBe, judgeMeasured, mendOrBuy, readMeasured, storiesOf } from './index.ts'
import { causesNamed, weighFindings } from '../../diagnose/explain/index.ts'

const sheets = sheetsFor('K-4417-2S')
type Some = { [K in keyof DataOf]: [K, DataOf[K]] }[keyof DataOf]
const jobOf = (complaint: Partial<DataOf['job.opened']['complaint']>, ...entries: Some[]) =>
  fold(
    JOB,
    (
      [
        ['job.opened', { ...opening, complaint: { ...opening.complaint, ...complaint } }],
        ['ident.chosen', identified],
        ...entries,
      ] as Some[]
    ).map(([kind, data], i) => placed(unsent(i + 1, kind, data), i + 1)),
  )
const found = (position: string, ruled: 'reuse' | 'replace', condition: string): Some => [
  'finding.judged',
  finding(position, ruled, condition),
]

/** What a gauge says of a part of a kind that such a thing decides. */
function verdict(deciding: Deciding, raw: string, sigma: number) {
  const position = { ...sheets.build.positions[0]!, deciding }
  const gauge = { code: 'g', name: 'g', kind: 'caliper' as const, resolutionMm: 0, repeatabilityMm: sigma }
  const read = readMeasured(position, raw, gauge)
  if (isRefusal(read)) return read.refused.why
  const slip = cannotBe(read, deciding, sheets.spec)
  if (slip) return slip
  const judged = judgeMeasured(
    position,
    deciding,
    read,
    sheets.spec,
    workingConditions(undefined, sheets.spec),
  )
  return isRefusal(judged) ? judged.refused.why : judged
}

describe('a face along its diagonals', () => {
  it('equal gaps are a hollow face, a gap and a rock are a twisted one', () => {
    expect(bowAndTwist(0.2, 0.2)).toEqual({ bow: 0.2, twist: 0, departure: 0.2 })
    // Corners ± 0.1 about their plane, the middle in it.
    expect(bowAndTwist(0.1, -0.1)).toEqual({ bow: 0, twist: 0.2, departure: 0.2 })
    // Corners ± 0.1, the middle 0.05 below: from + 0.1 to − 0.1.
    expect(bowAndTwist(0.15, -0.05).departure).toBeCloseTo(0.2, 12)
    // Corners ± 0.05, the middle 0.2 below: from + 0.05 to − 0.2.
    expect(bowAndTwist(0.25, 0.15).departure).toBeCloseTo(0.25, 12)
  })
  it('is lapped a little, faced for more, and rejected where too much would come off', () => {
    const face: Deciding = { what: 'warp', gasketMm: 0.8 }
    expect(verdict(face, '0.20 0.20', 0.01)).toMatchObject({
      disposition: 'repair',
      limit: expect.closeTo(0.12, 9) as number,
    })
    expect(verdict(face, '0.20 0.20', 0.01)).toMatchObject({
      sentence: expect.stringMatching(/^Hollow by 0.20, twisted by 0.00: .* Lap it on the plate/) as string,
    })
    expect(verdict(face, '0.5', 0.01)).toMatchObject({
      sentence: expect.stringContaining('Have it faced on a machine') as string,
    })
    expect(verdict(face, '0.9', 0.01)).toMatchObject({ disposition: 'condemn' })
    expect(verdict(face, '0.05 0.04', 0.01)).toMatchObject({ disposition: 'reuse', sure: true })
    expect(verdict(face, '-0.10', 0.01)).toContain('felt along both diagonals')
  })
})

describe('a metering needle', () => {
  it('worn from 2.40 to 2.37 in a 2.60 jet opens its ring by 14 %', () => {
    // (5.7600 − 5.6169)/(6.7600 − 5.7600) = 0.1431
    expect(ringGrowth(2.37, 2.4, 2.6)).toBeCloseTo(0.1431, 4)
    const needle: Deciding = { what: 'step', jetMm: 2.6, newMm: 2.4 }
    expect(verdict(needle, '2.37 2.40', 0.002)).toMatchObject({ disposition: 'replace', sure: true })
    expect(verdict(needle, '2.40 2.40', 0.002)).toMatchObject({ disposition: 'reuse', sure: true })
    // A caliper of ± 0.05 cannot tell.
    expect(verdict(needle, '2.39 2.40', 0.05)).toMatchObject({ sure: false })
    expect(verdict(needle, '2.40 2.37', 0.002)).toContain('Wear makes it thinner')
    expect(verdict(needle, '2.70 2.70', 0.002)).toContain('works in a jet of 2.60')
  })
})

describe('a jet by falling head', () => {
  it('57.1 s against 62.0 s of a 1.40 jet is 1.459, nearly nine per cent more flow', () => {
    const jet: Deciding = { what: 'bore', newMm: 1.4 }
    const read = readMeasured({ ...sheets.build.positions[0]!, deciding: jet }, '57.1 s 62.0 s 1.40', null)
    if (isRefusal(read) || read.what !== 'bore') throw new Error('not read')
    expect((read.go + read.no) / 2).toBeCloseTo(1.459, 3)
    // 0.3 s of each: 1.459·√(0.00525² + 0.00484²) = 0.0104 to both sides.
    expect(read.no - read.go).toBeCloseTo(0.0208, 3)
    expect(verdict({ what: 'bore', newMm: 1.46 }, '57.1 s 62.0 s 1.40', 0)).toMatchObject({
      disposition: 'reuse',
    })
    expect(verdict(jet, '3 s 4 s 1.40', 0)).toContain('Too short')
  })
})

describe('springs, seals and coils', () => {
  it('a spring of 5.0 N that gives 425 g (4.17 N) is weak; one of 6 N is a different spring', () => {
    const spring: Deciding = { what: 'force', newN: 5, atMm: 12 }
    expect(verdict(spring, '425 g', 0)).toMatchObject({
      disposition: 'replace',
      sentence: expect.stringContaining('17 % weak') as string,
    })
    expect(verdict(spring, '6.0 N', 0)).toMatchObject({
      sentence: expect.stringContaining('a different spring') as string,
    })
    expect(verdict(spring, '510 g', 0)).toMatchObject({ disposition: 'reuse' })
    expect(verdict(spring, 'strong', 0)).toContain('with its unit')
  })
  it('a seal must stand proud, and a swollen one does not lie in its groove', () => {
    const seal: Deciding = { what: 'proud', newMm: 0.6, leastMm: 0.25 }
    expect(verdict(seal, '0.55', 0.03)).toMatchObject({ disposition: 'reuse' })
    expect(verdict(seal, '0.10', 0.03)).toMatchObject({
      sentence: expect.stringContaining('Flattened') as string,
    })
    expect(verdict(seal, '1.3', 0.03)).toMatchObject({
      sentence: expect.stringContaining('Swollen') as string,
    })
  })
  it('an open winding is broken whatever it should have', () => {
    const coil: Deciding = { what: 'ohms', lo: 6, hi: 11 }
    expect(verdict(coil, 'open', 0)).toMatchObject({ disposition: 'replace', pIn: 0 })
    expect(verdict(coil, '8.4', 0)).toMatchObject({ disposition: 'reuse' })
    expect(verdict(coil, '2', 0)).toMatchObject({ sentence: expect.stringContaining('Too low') as string })
  })
})

describe('the complaint, weighed again', () => {
  const flooding = { symptom: 'flooding', when: 'parked', temperature: 'hot', band: 'idle' } as const
  const share = (state: ReturnType<typeof jobOf>, code: string) =>
    weighFindings(state, sheets).find((one) => one.code === code)!
  it('a sound needle falls to a tenth, a ringed seat is found', () => {
    const before = share(jobOf(flooding), 'needle')
    const sound = share(jobOf(flooding, found('needle', 'reuse', 'sound')), 'needle')
    expect(sound.standing).toBe('ruled out')
    expect(sound.share).toBeLessThan(before.share / 4)
    const both = jobOf(flooding, found('needle', 'reuse', 'sound'), found('seat', 'replace', 'ringed'))
    expect(weighFindings(both, sheets)[0]).toMatchObject({ code: 'seat', standing: 'found', by: ['seat'] })
  })
  it('a drilled jet says nothing for a starved one', () => {
    const state = jobOf(
      { symptom: 'no top end', band: 'wide open' },
      found('jet.main/P', 'replace', 'drilled'),
    )
    expect(share(state, 'jet.drilled').standing).toBe('found')
    expect(share(state, 'main.jet').standing).not.toBe('found')
  })
  it('what was cleaned and measured right afterwards still is what the unit came in with', () => {
    const starved = { symptom: 'no top end', band: 'wide open' } as const
    const state = jobOf(
      starved,
      ['finding.judged', finding('jet.main/P', 'clean', 'varnished')],
      found('jet.main/P', 'reuse', 'sound'),
    )
    expect(share(state, 'main.jet')).toMatchObject({ standing: 'found', by: ['jet.main/P'] })
    expect(causesNamed(state, { 1: sheets }, ['jet.main/P'])).toContain('main.jet')
    // One that was sound from the beginning is none.
    expect(
      causesNamed(jobOf(starved, found('jet.main/P', 'reuse', 'sound')), { 1: sheets }, ['jet.main/P']),
    ).toEqual([])
  })
  it('a plain overhaul complains of nothing', () => {
    expect(weighFindings(jobOf({ symptom: 'none: overhaul' }), sheets)).toEqual([])
  })
})

describe('findings that belong together', () => {
  const codes = (...entries: Some[]) => storiesOf(jobOf({}, ...entries), sheets).map(({ code }) => code)
  it('varnish in bowl and jets is one cause', () => {
    expect(codes(found('jet.main/P', 'replace', 'varnished'))).toEqual([])
    expect(
      codes(found('jet.main/P', 'replace', 'varnished'), ['sediment.seen', { kinds: ['varnish'] }]),
    ).toEqual(['stood'])
  })
  it('a fuel screw far in beside a leaking seat was leaned to hide it; far out it was not', () => {
    const screw = (value: number): Some => [
      'asfound.noted',
      {
        code: 'mixture.turns',
        place: 'L',
        raw: '',
        value,
        countedTo: 'seat',
        shown: { headline: '', meaning: '' },
      },
    ]
    const rattles = found('float', 'replace', 'rattles')
    // The sheet's band is 10 to 12 eighths.
    expect(codes(screw(5), rattles)).toContain('hidden rich')
    expect(codes(screw(9), rattles)).not.toContain('hidden rich')
    expect(codes(screw(18), rattles)).not.toContain('hidden rich')
    expect(codes(screw(18), found('throttle.shaft', 'replace', 'worn'))).toContain('hidden lean')
  })
  it('rust that cut needle and seat does it again', () => {
    const told = codes(found('needle', 'replace', 'grooved'), found('seat', 'replace', 'ringed'), [
      'sediment.seen',
      { kinds: ['rust'] },
    ])
    expect(told).toEqual(['dirt', 'pair'])
  })
})

describe('mend or buy', () => {
  const shaft = { kind: 'shaft' as const, part: 'SH-9' }
  const worn = { condition: 'worn', measured: { what: 'play' as const, value: 0.08, sigma: 0.01 }, tried: 0 }
  it('an hour at 48.00 and 9.00 of bush against a shaft of 40.00: buy; against one of 70.00: mend', () => {
    expect(mendOrBuy(shaft, worn, 4800, [{ part: 'SH-9', priceMinor: 4000, leadDays: 3 }])).toMatchObject({
      mendMinor: 5700,
      better: 'buy',
      buy: { priceMinor: 4000, days: 3 },
    })
    expect(
      mendOrBuy(shaft, worn, 4800, [
        { part: 'SH-9', priceMinor: 7000, leadDays: 1 },
        { part: 'SH-1', priceMinor: 100, leadDays: 1 },
      ]),
    ).toMatchObject({ better: 'mend' })
  })
  it('a lid out of plane by 0.2 is lapped, by 0.4 faced on a machine: one remedy, the one that its verdict says', () => {
    const lid = { kind: 'cover' as const, part: null }
    const out = (measured: number) =>
      mendOrBuy(
        lid,
        { condition: 'warped', measured: { what: 'warp', value: measured, sigma: 0.01 }, tried: 0 },
        4800,
        [],
      )!.what
    expect(out(0.2)).toBe('lap it')
    expect(out(0.4)).toBe('have it faced on a machine')
    expect(mendOrBuy(lid, { condition: 'warped', measured: null, tried: 0 }, 4800, [])!.what).toBe('lap it')
  })
  it('stops after so many tries, and mends where nobody sells one', () => {
    expect(
      mendOrBuy(shaft, { ...worn, tried: 1 }, 4800, [{ part: 'SH-9', priceMinor: 7000, leadDays: 1 }]),
    ).toMatchObject({ stop: true, better: 'buy' })
    expect(mendOrBuy(shaft, worn, 4800, [])).toMatchObject({ better: 'mend', buy: null })
    expect(mendOrBuy({ kind: 'gasket', part: 'G' }, { ...worn, condition: 'torn' }, 4800, [])).toBeNull()
  })
})

describe('look-alikes', () => {
  it('one thread, two bores: each main jet names the other; the only idle jet nobody', () => {
    const q80 = sheetsFor('Q-8010-1S')
    const at = (code: string) => q80.build.positions.find((one) => one.code === code)!
    expect(lookAlikes(q80.build, at('jet.main/P')).map(({ position }) => position)).toEqual([
      'jet.main/P',
      'jet.main/S',
    ])
    expect(lookAlikes(q80.build, at('seat'))).toEqual([])
  })
})

describe('a thread stripped at the fuel inlet', () => {
  const { conditions, mends } = partsTable.fitting
  const of = (code: string) => conditions.find((one) => one.code === code)!
  it('is a new fitting where it is the fitting’s own', () =>
    expect(of('fittingStripped')).toMatchObject({ disposition: 'replace' }))
  it('in the casting it is fatal, and no insert is offered for fuel under pressure', () => {
    expect(of('castingStripped').disposition).toBe('condemn')
    expect(mends).toBeUndefined()
  })
})

describe('a power piston', () => {
  it('has conditions of its own: no lip, no well, no cup', () => {
    const said = partsTable.powerPiston.conditions.map(({ label, why }) => `${label} ${why}`).join(' ')
    expect(said).not.toMatch(/lip|well|cup/i)
    expect(said).toMatch(/Sticks/)
  })
})

describe('a spring that was cut short', () => {
  it('has a lower preload and a higher rate', () =>
    expect(partsTable.spring.conditions.find(({ code }) => code === 'clipped')!.why).toBe(
      'preload is lower, rate is higher',
    ))
})
