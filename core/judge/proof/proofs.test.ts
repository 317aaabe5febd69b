import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { packTrace, unpackTrace, type Sample } from '../../measure/trace/index.ts'
import { bankAdvice, learnInfluence } from '../../physics/bank/index.ts'
import { floatBalance, levelInUse } from '../../physics/float/index.ts'
import {
  benchLevel,
  benchOf,
  levelAtEngine,
  lossAsLeak,
  needleWeight,
  sealsOn,
  soakedBy,
  spillMargin,
} from './figures.ts'
import { HOUSE_LIMITS, judgeHold, limitsOf, proofsOf, receivedTestsOf } from './index.ts'
import { proves } from './proves.ts'
import { fold } from '../../log/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { countLifts, findLifts } from './lifts.ts'
import { JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'

const value = <T>(result: T) => {
  if (isRefusal(result)) throw new Error('refused')
  return result as Exclude<T, { refused: unknown }>
}

describe('tests as received', () => {
  const asked = (listNumber: string) => {
    const subject = { state: fold(JOB, []), sheets: sheetsFor(listNumber), body: 1 }
    return receivedTestsOf(subject).map(({ code }) => code)
  }
  it('are those that the unit can be given', () => {
    // A two-barrel with a pump and a choke that a vacuum break pulls off, and no slide.
    expect(asked('K-4417-2S')).toEqual(['links', 'squirt', 'inlet', 'break'])
    // A small one without a pump, without a slide, its choke by hand.
    expect(asked('U712B')).toEqual(['links', 'inlet'])
    // A slide under a diaphragm has to lift and fall by itself.
    expect(asked('B34-17H')).toEqual(['lifts', 'links', 'inlet'])
  })
})

describe('figures of a proof', () => {
  it('weighs the needle down so that it lifts a fifth above the test pressure', () => {
    // 48 kPa on a circle of 2.4 mm: 48e3 · 4.524e-6 = 0.2171 N = 22.1 g; less 1.0 of its own 21.1, up to 25.
    expect(needleWeight({ seatBore: 2.4, needleMass: 1 }, 40)).toBe(25)
    // 10 kPa on 1.8 mm: 12e3 · 2.545e-6 = 0.03054 N = 3.11 g: 5 g.
    expect(needleWeight({ seatBore: 1.8, needleMass: 0.5 }, 10)).toBe(5)
  })
  it('tells the circle that it seals on from the weight and the pressure at which it lets go', () => {
    // 21 g let go at 46 kPa: A = 0.2059 N / 46e3 Pa = 4.477e-6 m², d = 2.388 mm.
    expect(value(sealsOn(21, 46))).toBeCloseTo(2.388, 3)
    expect(isRefusal(sealsOn(21, 0))).toBe(true)
  })
  it('turns a loss in half a minute into a leak', () => {
    // 2 kPa of 101.325 in 30 s out of 9 mL: 0.01974 · 9 / 0.5 min = 0.3553 mL/min.
    expect(lossAsLeak(2, 30, 9)).toBeCloseTo(0.3553, 4)
  })
  it('a float 2 g heavier lies 2.38 mm deeper, and the other way round', () => {
    // docs/physics.md 5: + 2 g is + 2.38 mm; arms and area of a float for which that holds.
    const float = { planArea: 800, buoyancyArm: 20, gravityArm: 15.235, guided: false } as never
    // 2.38 · 800 · 20 · 800e-6 / 15.235 = 2.0
    expect(soakedBy(float, 2.38, 800)).toBeCloseTo(2, 3)
  })
})

describe('a vacuum shut in', () => {
  // Laminar below the air: v/(2a − v) falls exponentially; 50 kPa out of 9 mL at 0.5 mL/min.
  const a = 101.325
  const rate = ((0.5 * a) / (60 * 9)) * ((2 * a) / (50 * (2 * a - 50)))
  const at = (t: number) => {
    const u = (50 / (2 * a - 50)) * Math.exp(-rate * t)
    return (2 * a * u) / (1 + u)
  }
  const noise = (i: number) => 0.1 * Math.sin(12.9898 * (i + 1) * (i + 3))
  const samples: Sample[] = Array.from({ length: 180 }, (_, i) => [i / 3, at(i / 3) + noise(i)])
  it('gives back the leak it was made with', () => {
    const hold = value(judgeHold(samples, { volume: 9, limit: 0.355, sigma: 0.1, side: -1 }))
    expect(hold.leak).toBeCloseTo(0.5, 1)
    expect(hold).toMatchObject({ verdict: 'slow', passes: false })
  })
  it('starts to fall by the leak over the volume', () => {
    // dv/dt = Q·a/(60·V) = 0.5 · 101.325 / 540 = 0.0938 kPa/s
    expect((at(0) - at(0.01)) / 0.01).toBeCloseTo(0.0938, 3)
  })
})

describe('lifts in a trace', () => {
  const wave = (shut: readonly number[]): Sample[] => {
    const samples: Sample[] = []
    let t = 0
    let before = 30
    for (const low of shut) {
      for (let p = before; p < 46; p += 1) samples.push([(t += 0.1), p], [(t += 0.1), p])
      for (let i = 0; i < 12; i++) samples.push([(t += 0.1), low + 0.1 * Math.sin(i)])
      before = low
    }
    return samples
  }
  it('finds ten, with where they let go and where they shut', () => {
    const lifts = findLifts(wave([38, 38, 37, 38, 39, 38, 38, 37, 38, 38]), 0.2)
    expect(lifts).toHaveLength(10)
    expect(lifts[0]!.popOffKpa).toBeCloseTo(45, 0)
    expect(lifts[4]!.reseatKpa).toBeCloseTo(39, 0)
    expect(countLifts(lifts)).toMatchObject({ clean: 10, of: 10 })
  })
  it('one that shuts far under the others has hung', () => {
    expect(countLifts(findLifts(wave([38, 38, 21, 38, 39]), 0.2))).toMatchObject({ clean: 4, of: 5 })
  })
  it('a hose that settles slowly is no lift', () => {
    const settles = Array.from({ length: 200 }, (_, i): Sample => [
      i / 20,
      i < 40 ? i * 0.6 : 20 + 4 * Math.exp(-(i - 40) / 40),
    ])
    expect(findLifts(settles, 0.15)).toHaveLength(0)
  })
  it('passes a single wild sample over', () => {
    const wild = wave([38, 38, 38]).map(([t, p], i): Sample => [t, i === 20 ? 2 : p])
    expect(findLifts(wild, 0.2)).toHaveLength(3)
  })
})

describe('a packed trace', () => {
  it('comes out as it went in, to its steps', () => {
    const samples: Sample[] = Array.from({ length: 400 }, (_, i) => [
      i * 0.05,
      40 - i * 0.0123 + (i % 7) * 0.05,
    ])
    const packed = packTrace(samples, 'gauge 3', 'kPa', 0.01)
    const back = value(unpackTrace(packed))
    expect(back).toHaveLength(400)
    back.forEach(([t, p], i) => {
      expect(Math.abs(t - samples[i]![0])).toBeLessThan(0.006)
      expect(Math.abs(p - samples[i]![1])).toBeLessThan(0.006)
    })
    expect(packed.packed.length).toBeLessThan(4 * 400)
  })
  it('is thinned where it is too long, its last sample kept', () => {
    const samples: Sample[] = Array.from({ length: 60_000 }, (_, i) => [i * 0.05, 40 + 5 * Math.sin(i)])
    const packed = packTrace(samples, 'gauge 3', 'kPa', 0.01)
    expect(packed.packed.length).toBeLessThanOrEqual(12_000)
    expect(value(unpackTrace(packed)).at(-1)![0]).toBeCloseTo(2999.95, 2)
  })
  it('refuses one that is broken', () => {
    const packed = packTrace(
      [
        [0, 1],
        [1, 2],
      ],
      'gauge 3',
      'kPa',
      0.01,
    )
    expect(isRefusal(unpackTrace({ ...packed, packed: `${packed.packed}A` }))).toBe(true)
    expect(isRefusal(unpackTrace({ ...packed, packed: '€€' }))).toBe(true)
  })
})

describe('what proves', () => {
  const hold = {
    what: 'hold',
    side: 'pressure',
    fromKpa: 40,
    toKpa: 38,
    seconds: 30,
    volumeMl: 9,
    limit: 2,
    leak: 0.4,
    low: 0.3,
    high: 0.5,
    verdict: 'slow',
    law: 'laminar',
    popOffKpa: null,
    reseatKpa: null,
  } as const
  it('a hold whose whole interval lies within the limit, never one that still waits', () => {
    expect(proves(hold)).toBe(true)
    expect(proves({ ...hold, high: 2.1 })).toBe(false)
    expect(proves({ ...hold, verdict: 'wait' })).toBe(false)
    expect(proves({ ...hold, verdict: 'open', high: 1 })).toBe(false)
  })
  it('ten lifts, not nine', () => {
    expect(proves({ what: 'lifts', clean: 10, of: 10, spreadKpa: null })).toBe(true)
    expect(proves({ what: 'lifts', clean: 9, of: 9, spreadKpa: null })).toBe(false)
    expect(proves({ what: 'lifts', clean: 10, of: 11, spreadKpa: null })).toBe(false)
  })
  it('ten minutes dry at every place, tapped once', () => {
    const weep = {
      what: 'weep',
      seconds: 600,
      wanted: 600,
      tapped: true,
      places: [{ name: 'Union', wetAt: null }],
    } as const
    expect(proves({ ...weep, places: [...weep.places] })).toBe(true)
    expect(proves({ ...weep, seconds: 599, places: [...weep.places] })).toBe(false)
    expect(proves({ ...weep, wanted: 60, seconds: 60, places: [...weep.places] })).toBe(false)
    expect(proves({ ...weep, tapped: false, places: [...weep.places] })).toBe(false)
    expect(proves({ ...weep, places: [{ name: 'Plug', wetAt: 250 }] })).toBe(false)
    expect(proves({ ...weep, places: [] })).toBe(false)
  })
  it('a pump in its band that squirts at once', () => {
    const pump = { what: 'pump', ml: 10.2, strokes: 10, atOnce: true, lo: 8, hi: 11 } as const
    expect(proves(pump)).toBe(true)
    expect(proves({ ...pump, atOnce: false })).toBe(false)
    expect(proves({ ...pump, ml: 7.9 })).toBe(false)
    expect(proves({ ...pump, lo: null, hi: null, ml: 0 })).toBe(false)
  })
  it('a coil that reaches its end in time and draws what it should', () => {
    const coil = {
      what: 'travel',
      samples: [],
      gain: 1.1,
      secondsTo95: 80,
      limit: 90,
      amps: null,
      ampsLo: 1,
      ampsHi: 2,
    } as const
    expect(proves({ ...coil, samples: [] })).toBe(true)
    expect(proves({ ...coil, samples: [], secondsTo95: null })).toBe(false)
    expect(proves({ ...coil, samples: [], amps: 0.4 })).toBe(false)
  })
})

describe('the wet bench', () => {
  const { spec } = sheetsFor('K-4417-2S')
  const bench = { pressureKpa: spec.supply.pressureKpa, densityKgM3: 745, tiltDeg: 0, readAtMm: 0 }
  it('at the sheet’s own pressure and fuel wants the sheet’s own level', () => {
    const level = value(benchLevel(spec, bench, null))
    expect(level.expected).toBeCloseTo(spec.level.target, 1)
    expect(level.hi - level.lo).toBeCloseTo(spec.level.hi - spec.level.lo, 6)
  })
  it('stands higher with less pressure, and the engine’s level is the sheet’s again', () => {
    // The float need not hold the needle as hard, so it lies less deep: the fuel shuts off lower below the float, higher in nothing else.
    const low = value(benchLevel(spec, { ...bench, pressureKpa: 3 }, null))
    expect(low.expected).toBeGreaterThan(spec.level.target)
    const engine = levelAtEngine(spec, { ...bench, pressureKpa: 3 }, low.expected, {
      pressureKpa: spec.supply.pressureKpa,
      ethanol: 0,
      densityKgM3: 745,
      assumes: [],
    })
    expect(value(engine)).toBeCloseTo(spec.level.target, 1)
  })
  it('25 mm beyond the float’s centre, 10° float end up, reads 4.4 mm further below the face; end down nearer', () => {
    const flat = value(benchLevel(spec, bench, null))
    const tilted = value(benchLevel(spec, { ...bench, tiltDeg: 10, readAtMm: 25 }, null))
    // The face rises by 25 · tan 10° = 4.408 there, the fuel stays level.
    expect(tilted.expected - flat.expected).toBeCloseTo(25 * 0.17633, 3)
    const down = value(benchLevel(spec, { ...bench, tiltDeg: -10, readAtMm: 25 }, null))
    expect(flat.expected - down.expected).toBeCloseTo(25 * 0.17633, 3)
    const engine = { pressureKpa: bench.pressureKpa, ethanol: 0, densityKgM3: 745, assumes: [] }
    expect(
      value(levelAtEngine(spec, { ...bench, tiltDeg: 10, readAtMm: 25 }, tilted.expected, engine)),
    ).toBeCloseTo(flat.expected, 6)
  })
  it('refuses a tilt that overflows before the needle shuts, a pressure that it cannot hold, a fluid that is none', () => {
    expect(isRefusal(benchLevel(spec, { ...bench, tiltDeg: -40, readAtMm: 40 }, null))).toBe(true)
    expect(isRefusal(benchLevel(spec, { ...bench, pressureKpa: 200 }, null))).toBe(true)
    expect(isRefusal(benchLevel(spec, { ...bench, densityKgM3: 7.6 }, null))).toBe(true)
  })
})

describe('the lowest way out', () => {
  const { spec } = sheetsFor('K-4417-2S')
  const bench = { pressureKpa: 24, densityKgM3: 745, tiltDeg: 0, readAtMm: 0 }
  const { float } = spec
  it('lies so much over the fuel, and spills where the float may sink no deeper than to there', () => {
    const height = spec.settings.find(({ code }) => code === 'float.height')!.target!
    const now = value(levelInUse(float, height, bench.pressureKpa, bench.densityKgM3))
    const lip = now.belowFace - 3
    const spill = value(spillMargin(spec, bench, height, now.belowFace, lip))
    expect(spill.marginMm).toBeCloseTo(3, 9)
    // 3 mm more of the float under fuel: ρ·A_p·Δs·x_b at the float is P·A_s·r_t at the needle.
    const more =
      (745e-6 * float.planArea * 3 * float.buoyancyArm * 9.80665e-3) /
      ((Math.PI / 4) * float.seatBore ** 2 * 1e-3 * float.tangArm)
    const deepest = now.immersion + 3 <= float.depth
    if (deepest) expect(spill.atKpa).toBeCloseTo(bench.pressureKpa + more, 6)
    else expect(spill.atKpa).toBeCloseTo(now.maxPressure, 6)
  })
  it('under the fuel it runs out already', () => {
    const height = spec.settings.find(({ code }) => code === 'float.height')!.target!
    expect(value(spillMargin(spec, bench, height, 10, 12)).marginMm).toBe(-2)
  })
  it('of a float that sinks 15 mm of its depth holds 31.9 kPa where all of it holds 40.1', () => {
    // docs/physics.md 5: the float’s bottom at 24, the lip at 9.
    const reference = {
      floatMass: 9,
      planArea: 1050,
      depth: 24 - 9,
      buoyancyArm: 29,
      gravityArm: 27,
      needleMass: 1.5,
      needleAt: 'above',
      tangArm: 6,
      seatBore: 2.4,
    } as const
    expect(value(floatBalance(reference, 30, 745)).maxPressure).toBeCloseTo(31.9, 1)
    expect(value(floatBalance({ ...reference, depth: 16 }, 30, 745)).maxPressure).toBeCloseTo(40.1, 1)
  })
})

describe('couplers of a bank', () => {
  // What the bank really does: coupler 1–2 moves body 1 by 100 a turn, 2–3 moves 3 and 4 by 80, 3–4 moves 4 by 90; body 2 leads.
  const real = [
    [100, 0, 0],
    [0, 0, 0],
    [0, 80, 0],
    [0, 80, 90],
  ]
  const turn = (readings: readonly number[], turned: readonly number[]) =>
    readings.map((one, body) => one + real[body]!.reduce((sum, by, c) => sum + by * turned[c]!, 0))

  it('are learned from two readings', () => {
    const first = [254, 262, 240, 231]
    const turned = [0, 0.25, 0]
    const { influence } = learnInfluence(
      [
        { readings: first, turned: [] },
        { readings: turn(first, turned), turned },
      ],
      4,
      1,
    )
    // 0.25 of a turn moved bodies 3 and 4 by 20: 80 a turn, the usual 120 hardly counts any more.
    expect(influence[2]![1]).toBeCloseTo(80, -0.7)
    expect(Math.abs(influence[2]![1]! - 80)).toBeLessThan(6)
  })

  it('turned as told bring four bodies together in three tries, the ones that carry most first', () => {
    const tries = [{ readings: [254, 262, 240, 231], turned: [] as number[] }]
    for (let n = 0; n < 3; n++) {
      const advice = value(bankAdvice(tries, 1))
      if (n === 0) {
        expect(advice.halfFirst).toBe(true)
        expect(advice.steps[0]!.coupler).toBe(1)
      }
      const turned = [0, 0, 0]
      advice.steps.forEach(({ coupler, sixteenths }) => (turned[coupler] = sixteenths / 16))
      tries.push({ readings: turn(tries.at(-1)!.readings, turned), turned })
    }
    const last = tries.at(-1)!.readings
    expect(Math.max(...last) - Math.min(...last)).toBeLessThanOrEqual(10)
  })

  it('says what stays where a body has no coupler of its own', () => {
    const advice = value(bankAdvice([{ readings: [250, 262, 240, 231, 233, 280], turned: [] }], 1, [4]))
    expect(advice.steps.every(({ coupler }) => coupler !== 4)).toBe(true)
    // 5 and 6 move together: 47 apart, and nothing brings them nearer.
    expect(advice.left).toBeGreaterThanOrEqual(46)
  })

  it('refuses a bank without a coupler', () => {
    expect(isRefusal(bankAdvice([{ readings: [250, 262], turned: [] }], 0, [0]))).toBe(true)
  })
})

describe('what a sheet says of its own proofs', () => {
  const subjectOf = (listNumber: string, more: Partial<Sheets['spec']> = {}) => {
    const sheets = sheetsFor(listNumber)
    return {
      state: fold(JOB, [placed(unsent(1, 'job.opened', opening), 1)]),
      sheets: { ...sheets, spec: { ...sheets.spec, ...more } },
      body: 1,
    }
  }
  const of = (subject: ReturnType<typeof subjectOf>, code: string) =>
    proofsOf(subject).find((one) => one.code === code)
  it('its limits are judged by, the house’s where it says nothing', () => {
    const four = subjectOf('Q-8010-1S')
    expect(of(four, 'inlet')).toMatchObject({ wants: '≤ 1.5', limits: { inletMlMin: 1.5, coilSeconds: 75 } })
    expect(of(four, 'choke')!.wants).toBe('≤ 75')
    expect(of(subjectOf('K-4417-2S'), 'inlet')).toMatchObject({ wants: '≤ 2.0', limits: HOUSE_LIMITS })
    expect(limitsOf({ proofs: { limits: { inletMlMin: undefined } } })).toEqual(HOUSE_LIMITS)
  })
  it('its own test pressure goes before what is worked out', () => {
    const subject = subjectOf('K-4417-2S', { proofs: { limits: { inletKpa: 33 } } })
    expect(of(subject, 'inlet')!.hold).toContain('Pump to 33 kPa')
  })
  it('asks what else its sheet asks, and not what it leaves out', () => {
    const four = proofsOf(subjectOf('Q-8010-1S'))
    expect(four.find(({ key }) => key === 'own:airValve')).toMatchObject({ how: 'seen', rests: ['cover'] })
    const without = subjectOf('K-4417-2S', { proofs: { without: ['pump', 'weep'] } })
    expect(of(without, 'pump')).toBeUndefined()
    expect(of(without, 'weep')).toBeUndefined()
    expect(of(without, 'inlet')).toBeDefined()
  })
})

describe('a wet bench as it was said', () => {
  const conditions = { pressureKpa: 21, ethanol: 0.1, densityKgM3: 748, assumes: [] }
  it('stands so high that it gives the job’s pressure, with test fluid, unless another head is typed', () => {
    expect(benchOf({ head: '', fluid: '', readAt: '' }, conditions, 8)).toEqual({
      headMm: null,
      pressureKpa: 21,
      densityKgM3: 760,
      tiltDeg: 8,
      readAtMm: 0,
    })
  })
  it('a typed head of 1,000 mm of the job’s fuel is 748 · 9.80665 · 1 = 7.335 kPa', () => {
    const bench = benchOf({ head: '1000', fluid: 'job', readAt: '12' }, conditions, 0)
    expect(bench.pressureKpa).toBeCloseTo(7.335, 3)
    expect(bench).toMatchObject({ headMm: 1000, densityKgM3: 748, readAtMm: 12 })
  })
})
