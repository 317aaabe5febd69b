import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import type { FloatGeometry } from '../../sheets/index.ts'
import { orvaneK44 } from '../../../demo/models/orvane.ts'
import {
  floatBalance,
  floatPose,
  floatRotation,
  floatTurn,
  fullLift,
  headPressure,
  inflow,
  levelInUse,
  leverAt,
  readingForLevel,
  seatArea,
  seatWasher,
  stockWasher,
  tangBend,
  type FloatBody,
  type Lever,
} from './index.ts'

const DEG = Math.PI / 180
/** The reference float of the worked numbers. */
const reference: FloatBody = {
  floatMass: 9,
  gravityArm: 27,
  planArea: 1050,
  buoyancyArm: 29,
  tangArm: 6,
  seatBore: 2.4,
  needleMass: 1.5,
  depth: 16,
  needleAt: 'above',
}
const lever: Lever = { measureArm: 46, measureAngle: -10 * DEG, tangArm: 6, sense: 1 }

describe('bending a tang', () => {
  it('goes toward the needle where a hung float reads short, by the lever ratio', () => {
    // 13.1 for 14.0: k = r_m·cos φ/r_t = 46·cos 10°/6 = 7.55; 0.9/7.55 = 0.119 (to first order).
    const bend = tangBend(13.1, 14, lever)
    expect(bend).toMatchObject({ toward: 'needle', bend: expect.closeTo(0.119, 2) as number })
    expect((bend as { rotation: number }).rotation).toBeGreaterThan(0)
  })
  it('turns round with the sense of the reading', () => {
    expect(tangBend(13.1, 14, { ...lever, sense: -1 })).toMatchObject({ toward: 'away' })
    expect(tangBend(14, 14, lever)).toMatchObject({ toward: 'none', bend: 0 })
  })
  it('lands on the target when the bend is made', () => {
    // Reading H = h0 − r·sin φ for a hung float: turn by the answer and read again.
    const rotation = floatRotation(11.2, 14, lever) as number
    const h0 = 11.2 + 46 * Math.sin(lever.measureAngle)
    expect(h0 - 46 * Math.sin(lever.measureAngle - rotation)).toBeCloseTo(14, 9)
  })
  it('refuses what the arm cannot reach, by the target', () => {
    expect(tangBend(10, 80, lever)).toMatchObject({ refused: { input: 'target' } })
    expect(tangBend(10, 12, { ...lever, measureAngle: 90 * DEG })).toMatchObject({
      refused: { input: 'measureAngle' },
    })
    expect(tangBend(10, 12, { ...lever, measureArm: 0 })).toMatchObject({ refused: { input: 'measureArm' } })
  })
})

describe('a washer under the seat where nothing is bent', () => {
  it('is thicker from the bowl side where the float must shut earlier, thinner from outside', () => {
    const fromBowl = seatWasher(13.1, 14, lever, 'bowl') as { change: number }
    const fromOutside = seatWasher(13.1, 14, lever, 'outside') as { change: number }
    expect(fromBowl.change).toBeGreaterThan(0)
    expect(fromOutside.change).toBeCloseTo(-fromBowl.change, 12)
    // t = r_t·sin Δθ at φ_t = 0, a hair less than the bend r_t·Δθ.
    expect(fromBowl.change).toBeCloseTo(6 * Math.sin(floatRotation(13.1, 14, lever) as number), 12)
  })
  it('takes the nearest thickness in stock', () => {
    expect(stockWasher(0.92, [0.5, 0.8, 1, 1.2])).toEqual({ mm: 1, error: expect.closeTo(0.08, 9) as number })
  })
})

describe('balance of float and needle', () => {
  it('holds 40.1 kPa at most for the reference float', () => {
    expect(floatBalance(reference, 30, 745)).toMatchObject({
      maxPressure: expect.closeTo(40.1, 1) as number,
      holds: true,
    })
  })
  it('displaces 15.5 mL at 30 kPa', () => {
    const { immersion } = floatBalance(reference, 30, 745) as { immersion: number }
    expect((immersion * reference.planArea) / 1000).toBeCloseTo(15.5, 1)
  })
  it('rises 3.52 mm from bench fluid at 3 kPa to gasoline at 30', () => {
    const bench = floatBalance(reference, 3, 760) as { immersion: number }
    const engine = floatBalance(reference, 30, 745) as { immersion: number }
    expect(engine.immersion - bench.immersion).toBeCloseTo(3.52, 2)
  })
  it('sinks 2.38 mm for 2 g of fuel soaked in', () => {
    const soaked = floatBalance({ ...reference, floatMass: 11 }, 30, 745) as { immersion: number }
    const dry = floatBalance(reference, 30, 745) as { immersion: number }
    expect(soaked.immersion - dry.immersion).toBeCloseTo(2.38, 2)
  })
  it('says when it does not hold, and when it could not even without pressure', () => {
    expect(floatBalance(reference, 45, 745)).toMatchObject({ holds: false })
    expect(
      (floatBalance({ ...reference, floatMass: 20 }, 0, 745) as { maxPressure: number }).maxPressure,
    ).toBeLessThan(0)
  })
  it('needs less for a needle that hangs below its tang', () => {
    const above = floatBalance(reference, 0, 745) as { immersion: number }
    const below = floatBalance({ ...reference, needleAt: 'below' }, 0, 745) as { immersion: number }
    // 2·m_n·r_t/(ρ·A·x_b) = 18/(745e-6·1050·29) = 0.793 mm.
    expect(above.immersion - below.immersion).toBeCloseTo(0.793, 3)
  })
  it('reckons a gravity head', () => expect(headPressure(300, 745)).toBeCloseTo(2.19, 2))
})

describe('what comes in past the needle', () => {
  const input = {
    ...lever,
    heightReading: 14,
    dropReading: 24,
    measureAngle: -0.1713,
    seatBore: 2.4,
    coneHalfAngle: 30 * DEG,
    pressure: 30,
    density: 745,
    cd: 0.65,
    powerKw: 60,
    bsfc: 300,
    ethanol: 0,
    buoyancyArm: 29,
    tangAngle: 0,
  }
  it('counts curtain and bore in series: 977 mL/min where the smaller alone says 1241', () => {
    const area = seatArea(1.2, 2.4, 30 * DEG)
    const velocity = Math.sqrt((2 * 30000) / 745)
    expect(0.65 * area * 1e-6 * velocity * 6e7).toBeCloseTo(977, 0)
    const curtain = Math.PI * 1.2 * 0.5 * (2.4 - 1.2 * 0.5 * Math.cos(30 * DEG))
    expect(0.65 * curtain * 1e-6 * velocity * 6e7).toBeCloseTo(1241, 0)
  })
  it('puts the full lift where the curtain equals the bore', () => {
    const lift = fullLift(2.4, 30 * DEG)
    const curtain = Math.PI * lift * 0.5 * (2.4 - lift * 0.5 * Math.cos(30 * DEG))
    expect(curtain).toBeCloseTo((Math.PI * 2.4 ** 2) / 4, 9)
  })
  it('weighs the inflow against 60 kW at 300 g/kWh: 402.7 mL/min', () => {
    // 60·300 = 18 kg/h = 300 g/min; /0.745 = 402.7 mL/min.
    expect(inflow(input)).toMatchObject({ demand: expect.closeTo(402.7, 1) as number })
  })
  it('stands lower by the droop that passes the demand, and has none where it starves', () => {
    const fed = inflow(input)
    expect(!isRefusal(fed) && fed.droop! > 0 && fed.droop! < fed.swing * 29).toBe(true)
    expect(inflow({ ...input, powerKw: 400 })).toMatchObject({ droop: null })
  })
  it('refuses a drop that is no drop', () => {
    expect(inflow({ ...input, dropReading: 14 })).toMatchObject({ refused: { input: 'drop' } })
    expect(inflow({ ...input, dropReading: 90 })).toMatchObject({ refused: { input: 'drop' } })
  })
})

describe('a model’s own geometry', () => {
  const geometry = orvaneK44.spec.float
  it('works the angle out from the reading', () => {
    // Toe at (46, −8), pin 6 below the face: level with its frame at 6 + 8 = 14.
    expect(floatTurn(geometry, 14)).toBeCloseTo(0, 12)
    expect(isRefusal(leverAt(geometry, 60))).toBe(true)
    expect(leverAt(geometry, 60)).toMatchObject({
      refused: { input: 'reading', why: expect.stringContaining('0.0 to 52.7') as string },
    })
  })
  it('a larger gap to the face is a lower fuel level on a hung float', () => {
    const level = (reading: number) =>
      (levelInUse(geometry, reading, 24, 745) as { belowFace: number }).belowFace
    expect(level(15)).toBeGreaterThan(level(14))
  })
  it('finds the dry height for a level and back', () => {
    const reading = readingForLevel(geometry, 16, 24, 745)!
    expect((levelInUse(geometry, reading, 24, 745) as { belowFace: number }).belowFace).toBeCloseTo(16, 6)
  })
})

describe('a float that slides straight on its guide', () => {
  // 9 g, 1150 mm², 20 mm deep; needle 2 g above; seat 2.4 mm; its underside 30 mm below the face when it reads 10.
  const guided: FloatGeometry = {
    guided: true,
    sense: 1,
    levelReading: 0,
    pinBelowFace: 0,
    measurePoint: { name: 'top', at: [17, -10] },
    tangArm: 1,
    tangAngle: 0,
    correction: 'washer',
    seatFrom: 'bowl',
    washerStockMm: [1],
    washerMm: 1,
    dropStop: null,
    floatMass: 9,
    planArea: 1150,
    depth: 20,
    buoyancyArm: 13,
    gravityArm: 13,
    undersideY: -30,
    needleMass: 2,
    needleAt: 'above',
    seatBore: 2.4,
    coneHalfAngle: 30,
  }
  const level = (reading: number) => {
    const at = levelInUse(guided, reading, 3, 745)
    if (isRefusal(at)) throw new Error(at.refused.why)
    return at
  }
  it('floats by weight alone: (9 + 2 + 1.384 g of thrust) over 0.857 g a millimetre', () => {
    // 3 kPa on π·2.4²/4 = 4.5239 mm² is 13.572 mN, 1.3839 g; ρ·A = 0.000745 · 1150 = 0.85675 g/mm; 12.3839/0.85675 = 14.4545.
    expect(level(10).immersion).toBeCloseTo(14.4545, 3)
    expect(level(10).belowFace).toBeCloseTo(15.5455, 3)
  })
  it('a millimetre of reading is a millimetre of level, and of washer', () => {
    expect(level(11).belowFace - level(10).belowFace).toBeCloseTo(1, 9)
    const lever = leverAt(guided, 9)
    if (isRefusal(lever)) throw new Error('refused')
    const washer = seatWasher(9, 10, lever, 'bowl')
    expect(!isRefusal(washer) && washer.change).toBeCloseTo(1, 3)
    expect(readingForLevel(guided, level(10).belowFace, 3, 745)).toBeCloseTo(10, 9)
  })
  it('cannot stand off its guide', () => expect(isRefusal(floatPose(guided, 60))).toBe(true))
})
