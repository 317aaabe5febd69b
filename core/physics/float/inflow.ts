import { bisect } from '../../measure/fit/index.ts'
import { blendAfr, GASOLINE_AFR, orificeFlow } from '../metering/index.ts'
import { checkNumbers, isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { Lever, Sense } from './bend.ts'

/**
 * The float's swing from shut to full drop, rad, from two readings at one point:
 * sense·(D − H) = r_m[sin φ − sin(φ − Δθ)]. Refuses `drop` where there is no swing or the arm cannot reach it.
 */
export function dropSwing(
  heightReading: number,
  dropReading: number,
  measureArm: number,
  measureAngle: number,
  sense: Sense,
): Result<number> {
  const bad = checkNumbers(
    { heightReading, dropReading, measureArm, measureAngle, sense },
    { min: { heightReading: 0, dropReading: 0 }, above: { measureArm: 0 } },
  )
  if (bad) return bad
  if (sense !== 1 && sense !== -1) return refuse('sense', 'The sense of the reading is 1 or -1.')
  if (Math.abs(measureAngle) >= Math.PI / 2)
    return refuse('measureAngle', 'The measuring point must lie within 90° of the datum plane.')
  const sine = Math.sin(measureAngle) - (sense * (dropReading - heightReading)) / measureArm
  if (Math.abs(sine) > 1)
    return refuse('drop', 'The arm cannot reach this drop. Measure again at the same point as the height.')
  const swing = measureAngle - Math.asin(sine)
  if (swing <= 1e-12)
    return refuse(
      'drop',
      'There is no swing between the height and the drop. Read the drop with the float hanging.',
    )
  return swing
}

/** Needle lift at the tang for a swing: ℓ = r_t[sin φ_t − sin(φ_t − Δθ)], mm. */
export const needleLift = (swing: number, tangArm: number, tangAngle = 0): number =>
  tangArm * (Math.sin(tangAngle) - Math.sin(tangAngle - swing))

/** Lift beyond which the cone's curtain is no longer the narrow place, mm: ℓ* = d_s/(2 sin α(1 + √(1 − cos α))). */
export const fullLift = (seatBore: number, coneHalfAngle: number): number =>
  seatBore / (2 * Math.sin(coneHalfAngle) * (1 + Math.sqrt(1 - Math.cos(coneHalfAngle))))

/**
 * Free area of needle and seat, mm²: the cone's curtain π·ℓ·sin α·(d_s − ℓ·sin α·cos α), ℓ no more than
 * d_s/(2 sin α cos α), in series with the bore. lift ≥ 0 mm, cone half-angle α rad in (0, 90°).
 */
export function seatArea(lift: number, seatBore: number, coneHalfAngle: number): number {
  if (lift <= 0) return 0
  const sin = Math.sin(coneHalfAngle)
  const cos = Math.cos(coneHalfAngle)
  const l = Math.min(lift, seatBore / (2 * sin * cos))
  const curtain = Math.PI * l * sin * (seatBore - l * sin * cos)
  const bore = (Math.PI * seatBore ** 2) / 4
  return 1 / Math.sqrt(1 / curtain ** 2 + 1 / bore ** 2)
}

/**
 * Fuel that an engine takes at full load, mL/min: power kW × BSFC g/kWh × 14.7/AFR(blend), by the fuel's density kg/m³.
 * `bsfc` by default 300 for a large four-stroke; ethanol share 0 to 1 by volume.
 */
function fuelDemand(powerKw: number, bsfc: number, ethanol: number, density: number): Result<number> {
  const bad = checkNumbers(
    { powerKw, bsfc, ethanol, density },
    { min: { powerKw: 0, ethanol: 0 }, above: { bsfc: 0, density: 0 } },
  )
  if (bad) return bad
  if (ethanol > 1) return refuse('ethanol', 'The ethanol share runs from 0 to 1.')
  return ((powerKw * bsfc * (GASOLINE_AFR / blendAfr(ethanol))) / 60 / density) * 1000
}

export interface InflowInput extends Lever {
  heightReading: number
  dropReading: number
  seatBore: number
  coneHalfAngle: number
  pressure: number
  density: number
  cd: number
  powerKw: number
  bsfc: number
  ethanol: number
  buoyancyArm: number
  tangAngle: number
}

export interface Inflow {
  swing: number
  lift: number
  inflow: number
  demand: number
  margin: number
  /** mm that the level runs lower at steady full demand (a lower bound); null where the demand exceeds the inflow */
  droop: number | null
}

/**
 * What comes in at full drop against what the engine takes (angles rad). Margin = inflow/demand, wanted ≥ 1.3.
 * The droop is Δθ·x_b at the lift that just passes the demand, found by bisection on the swing.
 */
export function inflow(input: InflowInput): Result<Inflow> {
  const { tangArm, seatBore, coneHalfAngle, pressure, density, cd, buoyancyArm, tangAngle } = input
  const bad = checkNumbers(
    {
      tangArm,
      seatBore,
      coneHalfAngle,
      pressure,
      density,
      cd,
      buoyancyArm,
      tangAngle,
      powerKw: input.powerKw,
    },
    {
      min: { pressure: 0 },
      above: { tangArm: 0, seatBore: 0, coneHalfAngle: 0, density: 0, cd: 0, buoyancyArm: 0, powerKw: 0 },
    },
  )
  if (bad) return bad
  if (coneHalfAngle >= Math.PI / 2)
    return refuse('coneHalfAngle', 'The cone half-angle lies between 0 and 90°.')
  if (Math.abs(tangAngle) >= Math.PI / 2)
    return refuse('tangAngle', 'The contact must lie within 90° of the needle.')
  const swing = dropSwing(
    input.heightReading,
    input.dropReading,
    input.measureArm,
    input.measureAngle,
    input.sense,
  )
  if (isRefusal(swing)) return swing
  const demand = fuelDemand(input.powerKw, input.bsfc, input.ethanol, density)
  if (isRefusal(demand)) return demand
  const lift = needleLift(swing, tangArm, tangAngle)
  const flowAt = (turned: number) =>
    orificeFlow(
      cd,
      seatArea(needleLift(turned, tangArm, tangAngle), seatBore, coneHalfAngle),
      pressure,
      density,
    )
  const full = flowAt(swing)
  if (isRefusal(full)) return full
  const margin = full / demand
  return { swing, lift, inflow: full, demand, margin, droop: margin < 1 ? null : droopAt(demand) }

  function droopAt(wanted: number): number {
    const { high } = bisect(0, swing as number, (turned) => {
      const flow = flowAt(turned)
      return typeof flow === 'number' && flow < wanted
    })
    return high * buoyancyArm
  }
}
