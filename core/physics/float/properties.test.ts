import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import {
  dropSwing,
  floatBalance,
  floatRotation,
  needleLift,
  seatArea,
  seatWasher,
  tangBend,
  type FloatBody,
  type Sense,
} from './index.ts'

const runs = { seed: 2614, numRuns: 300 }
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const sense = fc.constantFrom<Sense>(1, -1)
const body: fc.Arbitrary<FloatBody> = fc.record({
  floatMass: number(2, 30),
  planArea: number(200, 3000),
  depth: number(6, 30),
  buoyancyArm: number(10, 60),
  gravityArm: number(8, 58),
  needleMass: number(0, 4),
  needleAt: fc.constantFrom('above', 'side', 'below'),
  tangArm: number(3, 15),
  seatBore: number(1, 4),
})

describe('whatever the float', () => {
  it('the bend that is asked for lands on the target', () => {
    fc.assert(
      fc.property(
        number(5, 40),
        number(5, 40),
        number(20, 80),
        number(-1, 1),
        sense,
        (reading, target, measureArm, measureAngle, s) => {
          const lever = { measureArm, measureAngle, tangArm: 6, sense: s }
          const rotation = floatRotation(reading, target, lever)
          if (isRefusal(rotation)) return
          // What the caliper reads once the float is turned: the point sinks by r(sin φ − sin(φ − Δθ)).
          const after =
            reading + s * measureArm * (Math.sin(measureAngle) - Math.sin(measureAngle - rotation))
          expect(after).toBeCloseTo(target, 8)
        },
      ),
      runs,
    )
  })
  it('toward the needle always means less fuel', () => {
    fc.assert(
      fc.property(number(5, 40), number(5, 40), sense, (reading, target, s) => {
        const bend = tangBend(reading, target, { measureArm: 46, measureAngle: -0.1, tangArm: 6, sense: s })
        if (isRefusal(bend) || bend.toward === 'none') return
        // A hung float's larger reading is lower; the other sense the other way round.
        expect(bend.toward).toBe(s * (target - reading) > 0 ? 'needle' : 'away')
      }),
      runs,
    )
  })
  it('a washer from outside undoes what the same washer does from the bowl side', () => {
    fc.assert(
      fc.property(number(8, 20), number(8, 20), number(-0.6, 0.6), (reading, target, tangAngle) => {
        const lever = { measureArm: 46, measureAngle: -0.1, tangArm: 6, sense: 1 as const }
        const a = seatWasher(reading, target, lever, 'bowl', tangAngle)
        const b = seatWasher(reading, target, lever, 'outside', tangAngle)
        if (isRefusal(a) || isRefusal(b)) throw new Error('refused')
        expect(a.change).toBeCloseTo(-b.change, 12)
      }),
      runs,
    )
  })
  it('at the most pressure that it holds it lies exactly as deep as it is high', () => {
    fc.assert(
      fc.property(body, number(700, 800), (float, density) => {
        const rest = floatBalance(float, 0, density)
        if (isRefusal(rest) || rest.maxPressure <= 0) return
        const full = floatBalance(float, rest.maxPressure, density)
        expect(!isRefusal(full) && full.immersion).toBeCloseTo(float.depth, 6)
      }),
      runs,
    )
  })
  it('more pressure, a wider seat, a heavier float and a thinner fuel each sink it', () => {
    fc.assert(
      fc.property(body, number(1, 40), (float, pressure) => {
        const depth = (f: FloatBody, p: number, rho: number) => {
          const balance = floatBalance(f, p, rho)
          if (isRefusal(balance)) throw new Error(balance.refused.why)
          return balance.immersion
        }
        const now = depth(float, pressure, 745)
        expect(depth(float, pressure * 1.1, 745)).toBeGreaterThan(now)
        expect(depth({ ...float, seatBore: float.seatBore * 1.1 }, pressure, 745)).toBeGreaterThan(now)
        expect(depth({ ...float, floatMass: float.floatMass + 1 }, pressure, 745)).toBeGreaterThan(now)
        if (now > 0) expect(depth(float, pressure, 720)).toBeGreaterThan(now)
      }),
      runs,
    )
  })
  it('curtain and bore in series are less than either alone and grow with the lift', () => {
    fc.assert(
      fc.property(number(1, 4), number(0.2, 1.2), number(0.01, 3), (bore, cone, lift) => {
        const area = seatArea(lift, bore, cone)
        expect(area).toBeLessThanOrEqual((Math.PI * bore ** 2) / 4 + 1e-12)
        expect(seatArea(lift * 0.9, bore, cone)).toBeLessThanOrEqual(area + 1e-12)
      }),
      runs,
    )
  })
  it('the swing read at two points of one arm is the same', () => {
    fc.assert(
      fc.property(number(0.02, 0.4), number(-0.4, 0.2), number(20, 60), sense, (swing, angle, arm, s) => {
        const height = 14
        const drop = height + s * arm * (Math.sin(angle) - Math.sin(angle - swing))
        if (drop < 0) return
        const read = dropSwing(height, drop, arm, angle, s)
        expect(isRefusal(read) ? read.refused.why : read).toBeCloseTo(swing, 8)
        expect(needleLift(swing, 6)).toBeCloseTo(6 * Math.sin(swing), 10)
      }),
      runs,
    )
  })
})
