import { describe, expect, it } from 'vitest'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import {
  bleedFactor,
  chooseSizes,
  convertFuel,
  exponentsOf,
  needleShift,
  powerOpens,
  rangeAir,
  rangeMixture,
  type Engine,
  type RangeProblem,
} from './index.ts'

const value = <T>(result: Result<T>): T => {
  if (isRefusal(result)) throw new Error(result.refused.why)
  return result
}
const input = (result: Result<unknown>): string | undefined =>
  isRefusal(result) ? result.refused.input : undefined

const ref = { main: 1.1, idle: 0.4 }
const NEEDLE = [
  [0, 2.5],
  [4, 2.5],
  [24, 1.9],
] as const
const ENGINE: Engine = {
  displacement: 500,
  rpm: 2500,
  bore: 36,
  closedAngle: 10,
  shaft: 8,
  venturi: 28,
  idleArea: 9,
}
/** Per cent richer or leaner, to a tenth. */
const percent = (problem: RangeProblem) =>
  value(rangeMixture(problem)).ratio.map((ratio) => Math.round((ratio - 1) * 1000) / 10 + 0)
const disc = (bore: number) => (Math.PI / 4) * bore ** 2

describe('one circuit', () => {
  it('jet 1.30, bleed 1.80, nozzle 3.0: K 1.010, its exponents sum to 1', () => {
    const areas = [disc(1.3), disc(1.8), disc(3)] as const
    expect(bleedFactor(...areas)).toBeCloseTo(1.01, 3)
    const { jet, bleed, outlet } = exponentsOf(...areas)
    expect([jet, bleed, outlet].map((one) => one.toFixed(3))).toEqual(['0.772', '-0.275', '0.502'])
    expect(jet + bleed + outlet).toBeCloseTo(1, 12)
  })
  it('an idle circuit has a K of 9: there the bleed does almost as much as the jet', () => {
    const areas = [disc(0.45), disc(1.3), 0.7] as const
    expect(bleedFactor(...areas)).toBeCloseTo(9.03, 2)
    expect(exponentsOf(...areas).bleed).toBeCloseTo(-0.627, 3)
  })
})

describe('a needle in its jet', () => {
  it('a groove up does most where the taper begins and little near the top', () => {
    const change = (lift: number) =>
      value(needleShift({ needleJet: 2.6, main: 1.1, needle: NEEDLE, lift, raise: 0.9 })).change
    expect([2, 4, 8, 14, 23].map((lift) => (change(lift) * 100).toFixed(1))).toEqual([
      '0.0',
      '21.0',
      '5.9',
      '1.6',
      '0.4',
    ])
  })
  it('is refused beyond what was measured, and where it fills its jet', () => {
    expect(input(needleShift({ needleJet: 2.6, main: 1.1, needle: NEEDLE, lift: 23.5, raise: 0.9 }))).toBe(
      'needle',
    )
    expect(input(needleShift({ needleJet: 2.4, main: 1.1, needle: NEEDLE, lift: 2 }))).toBe('needle')
    const falls = [
      [0, 2.5],
      [0, 2.4],
    ] as const
    expect(input(needleShift({ needleJet: 2.6, main: 1.1, needle: falls, lift: 0 }))).toBe('needle')
  })
})

describe('air over the throttle', () => {
  it('past a quarter the plate rules little', () => {
    const at = (opening: number) => value(rangeAir({ family: 'plate', engine: ENGINE, opening }))
    expect([1 / 16, 1 / 8, 1 / 4, 1 / 2].map((x) => at(x).vacuum.toFixed(1))).toEqual([
      '46.7',
      '18.0',
      '3.7',
      '0.5',
    ])
    expect([1 / 16, 1 / 8, 1 / 4, 1 / 2].map((x) => at(x).flow.toFixed(2))).toEqual([
      '5.50',
      '8.40',
      '9.83',
      '10.16',
    ])
  })
  it('names what cannot be', () => {
    expect(input(rangeAir({ family: 'plate', engine: { ...ENGINE, idleArea: 0 }, opening: 0 }))).toBe(
      'idleArea',
    )
    expect(input(rangeAir({ family: 'plate', engine: { ...ENGINE, shaft: 30 }, opening: 0.5 }))).toBe('shaft')
    expect(input(rangeAir({ family: 'plate', engine: ENGINE, opening: 0.5, altitude: 20_000 }))).toBe(
      'altitude',
    )
  })
})

describe('the mixture over the opening', () => {
  it('1,600 m up a plate unit is 7 % rich but for just off idle, where its main starts later', () => {
    const problem = { family: 'plate', ref, now: { altitude: 1600 } } as const
    expect(percent(problem)).toEqual([7, 0, 2.7, 5.5, 7.1, 7.7, 7.9])
    expect(value(rangeMixture(problem)).sigma.map((one) => (one * 100).toFixed(1))).toEqual(
      // The share of the idle circuit and the start are least sure at a sixteenth.
      ['1.4', '6.9', '3.7', '2.1', '1.6', '1.5', '1.5'],
    )
  })
  it('a smaller main cures it from half on; a smaller idle jet digs a hole off idle', () => {
    expect(percent({ family: 'plate', ref, now: { altitude: 1600, main: 1.05 } })).toEqual([
      7, -2, -1.2, -1.1, -0.9, -0.6, -0.5,
    ])
    expect(
      percent({ family: 'plate', ref, now: { altitude: 1600, main: 1.05, idle: 0.375 } }).slice(0, 3),
    ).toEqual([-5, -10.4, -7.2])
  })
  it('a level 2 mm higher starts the main earlier; warm air is thinner air', () => {
    expect(percent({ family: 'plate', ref, now: { lip: 6 } })).toEqual([0, 6.4, 4.9, 2.8, 1.3, 0.8, 0.5])
    expect(percent({ family: 'plate', ref, now: { temperatureC: 35 } }).at(-1)).toBe(2.7)
  })
  it('a main a size larger does less under a needle, an idle jet nothing from half on', () => {
    expect(percent({ family: 'slide', ref, now: { main: 1.125 } })).toEqual([0, 0.5, 0.8, 1.5, 2.7, 3.3, 3.5])
    expect(percent({ family: 'plate', ref, now: { main: 1.125 } }).at(-1)).toBe(4)
    expect(percent({ family: 'plate', ref, now: { idle: 0.425 } })).toEqual([
      11.8, 8.3, 5.9, 2.6, 0.8, 0.5, 0.4,
    ])
  })
  it('an 85 % blend on gasoline jets is dangerously lean, on jets enlarged by the mixture alone still lean', () => {
    expect(Math.max(...percent({ family: 'plate', ref, now: { ethanol: 0.85 } }))).toBeLessThan(-30)
    const wider = Math.sqrt(1.4616)
    const now = { ethanol: 0.85, main: 1.1 * wider, idle: 0.4 * wider }
    const plate = percent({ family: 'plate', ref, now })
    expect([plate[0], plate.at(-1)]).toEqual([-13.1, -8.3])
    expect(percent({ family: 'slide', ref, now })[2]).toBe(-20.6)
  })
  it('an open filter leans by the box only where the bowl breathes outside it', () => {
    const opened = { family: 'plate', ref: { ...ref, box: 0.3 }, now: { box: 0 } } as const
    expect(percent({ ...opened, vent: 'outside' }).at(-1)).toBeCloseTo(-8, 0)
    expect(percent(opened)).toEqual([0, 0, 0, 0, 0, 0, 0])
  })
  it('bleeds five sizes down: idle + 5.5 %, main + 4.7', () => {
    const bleeds = { ...ref, mainBleed: 0.35, idleBleed: 0.7 }
    const said = percent({ family: 'plate', ref: bleeds, now: { mainBleed: 0.3, idleBleed: 0.65 } })
    expect(said[0]).toBe(5.5)
    expect(said.at(-1)).toBeCloseTo(4.7, 0)
  })
  it('nothing changed is nothing, with no doubt', () => {
    const { ratio, sigma } = value(rangeMixture({ family: 'cv', ref, now: {} }))
    expect(ratio.every((one) => one === 1) && sigma.every((one) => one === 0)).toBe(true)
  })
  it('each further measurement narrows it', () => {
    const sigma = (known: object, more: object = {}) =>
      value(
        rangeMixture({ family: 'slide', ref: { ...ref, ...known }, now: { main: 1.2 }, ...more }),
      ).sigma.at(-1)!
    const jets = sigma({})
    const needle = sigma({ needleJet: 2.6, needle: NEEDLE, bore: 24 })
    const bleeds = sigma({ needleJet: 2.6, needle: NEEDLE, bore: 24, mainBleed: 1, nozzle: 3 })
    expect(needle).toBeLessThan(jets)
    expect(bleeds).toBeLessThan(needle)
  })
  it.each([
    ['mainBleed', { now: { mainBleed: 1 } }],
    ['rod', { ref: { ...ref, rod: 1.2 } }],
    ['needle', { now: { raise: 1 } }],
    ['needleJet', { ref: { ...ref, needle: NEEDLE } }],
    ['lifts', { ref: { ...ref, needle: NEEDLE, needleJet: 2.6 } }],
    ['engine', { ref: { ...ref, idleBleed: 1, idleOutlet: 0.7, slot: { width: 1, length: 4, atIdle: 1 } } }],
    ['ethanol', { now: { ethanol: 1.1 } }],
    ['altitude', { now: { altitude: 12_000 } }],
    ['openings', { openings: [0, 1.2] }],
    ['shares', { shares: [1] }],
    ['depression', { depression: [0.06, 0.06, 0.02, 0.2, 0.5, 0.9, 1.4] }],
    ['box', { ref: { ...ref, box: 3 }, now: { box: 0 }, vent: 'outside' }],
    ['idle', { now: { idle: -1 } }],
  ] as const)('refuses %s by its name', (name, given) => {
    expect(input(rangeMixture({ family: 'plate', ref, now: {}, ...given }))).toBe(name)
  })
})

describe('which sizes', () => {
  const high = { family: 'plate', ref, now: { altitude: 1600 } } as const
  it('at 1,600 m one main jet alone: the idle screw trims the rest', () => {
    const offers = { main: [1, 1.025, 1.05, 1.075, 1.125], idle: [0.35, 0.375, 0.425] }
    const choice = value(chooseSizes({ ...high, offers }))
    expect(choice).toMatchObject({ changes: { main: 1.05 }, order: ['main'], inside: true })
    expect(choice.worst).toBeCloseTo(0.47, 2)
  })
  it('changes nothing where all is inside, and says how far it is where nothing can be', () => {
    expect(value(chooseSizes({ ...high, now: {}, offers: { main: [1.05] } })).changes).toEqual({})
    const none = value(chooseSizes({ ...high, now: { ethanol: 0.85 }, offers: { main: [1.15] } }))
    expect(none.inside).toBe(false)
    expect(none.worst).toBeGreaterThan(5)
  })
  it('is the same as trying all of them', () => {
    const problem = {
      family: 'plate',
      ref: { ...ref, mainBleed: 0.8, nozzle: 2.6, idleBleed: 1, idleOutlet: 0.6 },
      now: { altitude: 2600, ethanol: 0.1 },
    } as const
    const offers = {
      main: [1, 1.05, 1.15],
      idle: [0.375, 0.425],
      mainBleed: [0.7, 0.9],
      nozzle: [2.4, 2.8],
      idleBleed: [0.9, 1.1],
      lip: [6, 7, 9],
    }
    const tolerance = [0.15, 0.06, 0.05, 0.03, 0.03, 0.03, 0.03]
    for (const scale of [1, 0.3, 0.1]) {
      const tight = tolerance.map((one) => one * scale)
      let best = { inside: false, count: 0, worst: Infinity }
      const walk = (keys: string[], now: Record<string, number>, count: number) => {
        const [key, ...others] = keys
        if (key) {
          walk(others, now, count)
          for (const size of offers[key as keyof typeof offers])
            walk(others, { ...now, [key]: size }, count + 1)
          return
        }
        const { ratio } = value(rangeMixture({ ...problem, now: { ...problem.now, ...now } }))
        const worst = Math.max(...ratio.map((one, i) => Math.abs(one - 1) / tight[i]!))
        const inside = worst <= 1 + 1e-9
        const better = inside
          ? !best.inside || count < best.count || (count === best.count && worst < best.worst)
          : !best.inside && worst < best.worst - 1e-12
        if (better) best = { inside, count, worst }
      }
      walk(Object.keys(offers), {}, 0)
      const choice = value(chooseSizes({ ...problem, offers, tolerance: tight }))
      expect(choice.inside).toBe(best.inside)
      expect(choice.worst).toBeCloseTo(best.worst, 9)
      expect(choice.order).toHaveLength(best.inside ? best.count : choice.order.length)
    }
  })
  it('a clip beyond its needle is no choice', () => {
    const slide = {
      family: 'slide',
      ref: { ...ref, needleJet: 2.6, needle: NEEDLE, bore: 22 },
      now: {},
    } as const
    const choice = value(
      chooseSizes({ ...slide, now: { altitude: 1600 }, offers: { raise: [-0.9, 0.9, 9] } }),
    )
    expect(choice.changes.raise).not.toBe(9)
  })
  it('refuses an offer by its name', () => {
    expect(input(chooseSizes({ ...high, offers: { nozzle: [3] } }))).toBe('nozzle')
    expect(input(chooseSizes({ ...high, offers: { raise: [1] } }))).toBe('needle')
    expect(input(chooseSizes({ ...high, offers: { main: [0] } }))).toBe('main')
  })
})

describe('another fuel', () => {
  it('85 %: area × 1.462, volume × 1.426; jets need more than that', () => {
    const plan = value(convertFuel({ ethanol: 0.85, main: 1.3, idle: 0.45, seat: 1.1, pressure: 20 }))
    expect(plan.areaFactor).toBeCloseTo(1.462, 3)
    expect(plan.volumeFactor).toBeCloseTo(1.426, 3)
    expect(plan.mainBore).toBeCloseTo(1.642, 3)
    expect(plan.idleBore).toBeCloseTo(0.584, 3)
    // A seat of 1.10 wants 1.33.
    expect(plan.seatBore).toBeCloseTo(1.33, 2)
  })
  it('with bleed and nozzle known it is worked out by them', () =>
    expect(value(convertFuel({ ethanol: 0.85, main: 1.3, mainBleed: 1.8, nozzle: 3 })).mainBore).toBeCloseTo(
      1.722,
      3,
    ))
  it('thirty per cent more fits a 62 % blend; twice as much fits none', () => {
    expect(value(convertFuel({ ethanol: 0.85, rule: 1.3 })).impliedEthanol).toBeCloseTo(0.62, 2)
    expect(value(convertFuel({ ethanol: 0.85, rule: 2 })).impliedEthanol).toBeNull()
  })
  it('a nozzle too small for any jet is said', () =>
    expect(input(convertFuel({ ethanol: 0.85, main: 1.3, mainBleed: 0.3, nozzle: 1 }))).toBe('nozzle'))
})

describe('the power circuit', () => {
  it('its spring opens it at 15.6 kPa', () =>
    expect(value(powerOpens({ preload: 1.6, weight: 0.12, pistonArea: disc(11) })).opensAt).toBeCloseTo(
      15.6,
      1,
    ))
  it('1,600 m up every vacuum falls by 17.8 kPa: what suited in the valley is open at a cruise of 39', () => {
    const read = { opensAt: 22, idleVacuum: 48, measuredAltitude: 0, altitude: 1600 }
    const suits = value(powerOpens({ ...read, cruiseVacuum: 40 }))
    expect(suits).toMatchObject({ suits: true })
    expect(suits.margin).toBeCloseTo(30.2 - 22, 1)
    expect(value(powerOpens({ ...read, cruiseVacuum: 39 })).suits).toBe(false)
  })
  it('opens where the vacuum falls to it; at idle already, or never at this speed', () => {
    const at = (opensAt: number) => value(powerOpens({ opensAt, family: 'plate', engine: ENGINE })).opening
    expect(at(22)).toBeCloseTo(0.111, 3)
    expect(at(90)).toBe(0)
    expect(at(0.05)).toBeNull()
  })
  it('a weight that holds it shut is refused', () =>
    expect(input(powerOpens({ preload: 0.1, weight: 0.12, pistonArea: 95 }))).toBe('weight'))
})

describe('boost with the bowl following', () => {
  it('50 kPa at 60 °C leans by a tenth: ρ′ by pressure and temperature', () => {
    const said = rangeMixture({
      family: 'plate',
      ref: { main: 1.1, idle: 0.4 },
      now: { boost: 50, temperatureC: 60 },
      openings: [1],
    })
    if (isRefusal(said)) throw new Error(said.refused.why)
    // ρ′/ρ = (151.3/101.3)·(288.15/333.15) = 1.292; ^−0.42.
    expect(said.ratio[0]! - 1).toBeCloseTo(-0.1, 1)
    expect(said.ratio[0]!).toBeLessThan(0.91)
  })
  it('is no vacuum', () => {
    const said = rangeMixture({ family: 'plate', ref: { main: 1.1 }, now: { boost: -5 } })
    expect(isRefusal(said) && said.refused.input).toBe('boost')
  })
})
