import { GRAVITY } from '../../base/constants/index.ts'
import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'

export type NeedleAt = 'above' | 'side' | 'below'

export interface FloatBody {
  /** g */
  floatMass: number
  /** mm², the prismatic part seen from above */
  planArea: number
  /** mm */
  depth: number
  /** Arms from the pin to the centres of buoyancy and gravity, mm */
  buoyancyArm: number
  gravityArm: number
  /** g */
  needleMass: number
  needleAt: NeedleAt
  /** mm */
  tangArm: number
  /** Sealing circle, mm */
  seatBore: number
}

export interface FloatBalance {
  /** mm that balance needs, even beyond the float's depth */
  immersion: number
  holds: boolean
  /** kPa; at or below 0 it cannot shut even without pressure */
  maxPressure: number
}

const NEEDLE_WEIGHT: Record<NeedleAt, number> = { above: 1, side: 0, below: -1 }

/**
 * How deep the float lies when it just shuts the needle against `pressure` (kPa above the bowl's vent, ≥ 0) in fuel of
 * `density` (kg/m³): s = [m·x_g + (P·A_s/g + q·m_n)·r_t]/(ρ·A_p·x_b). Moments about the hinge pin; Archimedes.
 * Refuses inputs at or below zero that cannot be, and a needle pulled up into its seat (`needleAt`).
 */
export function floatBalance(float: FloatBody, pressure: number, density: number): Result<FloatBalance> {
  const { floatMass, planArea, depth, buoyancyArm, gravityArm, needleMass, tangArm, seatBore, needleAt } =
    float
  const bad = checkNumbers(
    { floatMass, planArea, depth, buoyancyArm, gravityArm, needleMass, tangArm, seatBore, pressure, density },
    {
      min: { needleMass: 0, pressure: 0 },
      above: {
        floatMass: 0,
        planArea: 0,
        depth: 0,
        buoyancyArm: 0,
        gravityArm: 0,
        tangArm: 0,
        seatBore: 0,
        density: 0,
      },
    },
  )
  if (bad) return bad
  const q = NEEDLE_WEIGHT[needleAt]
  if (q === undefined)
    return refuse('needleAt', 'The needle stands above its tang, lies on its side, or hangs below.')
  const seatArea = (Math.PI * seatBore ** 2) / 4
  const rho = density * 1e-6 // g/mm³
  // P·A_s: kPa·mm² = 1e-3 N; over g in kg, ×1000 in g.
  const thrust = (pressure * seatArea * 1e-3 * 1000) / GRAVITY
  const immersion =
    (floatMass * gravityArm + (thrust + q * needleMass) * tangArm) / (rho * planArea * buoyancyArm)
  const maxPressure =
    ((GRAVITY / 1000) *
      (rho * planArea * depth * buoyancyArm - floatMass * gravityArm - q * needleMass * tangArm)) /
    (seatArea * 1e-3 * tangArm)
  return { immersion, holds: immersion <= depth, maxPressure }
}

/** Pressure of a gravity feed, kPa: ρ·g·h with the head in mm above the needle. */
export const headPressure = (headMm: number, density: number): number => (density * GRAVITY * headMm) / 1e6
/** The head that gives a pressure, mm: the same turned round. */
export const headOf = (pressureKpa: number, density: number): number =>
  (pressureKpa * 1e6) / (density * GRAVITY)
