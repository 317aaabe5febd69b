import { checkNumbers, type Result } from '../../base/refusal/index.ts'

/** Default constants (`docs/physics.md`), each overridable by a spec sheet or the shop. Densities kg/m³ at 15 °C. */
export const GASOLINE_DENSITY = 745
const ETHANOL_DENSITY = 789
export const GASOLINE_AFR = 14.7
const ETHANOL_AFR = 9.0
export const CD_JET = 0.76
export const CD_NEEDLE_AND_SEAT = 0.65
export const CD_PUMP_NOZZLE = 0.75

/**
 * Turbulent flow of a liquid through an orifice, mL/min: Q = Cd·A·√(2ΔP/ρ).
 * cd above 0 (1 at most in practice), area mm² ≥ 0, pressure across it kPa ≥ 0, density kg/m³ > 0. Bernoulli with a
 * discharge coefficient.
 */
export function orificeFlow(cd: number, area: number, pressure: number, density: number): Result<number> {
  const bad = checkNumbers(
    { cd, area, pressure, density },
    { min: { area: 0, pressure: 0 }, above: { cd: 0, density: 0 } },
  )
  if (bad) return bad
  return cd * area * 1e-6 * Math.sqrt((2 * pressure * 1000) / density) * 6e7
}

/** Density of a blend of ethanol share e by volume (0 to 1), kg/m³ at 15 °C. */
export const blendDensity = (ethanol: number): number =>
  ethanol * ETHANOL_DENSITY + (1 - ethanol) * GASOLINE_DENSITY

/** Stoichiometric air/fuel ratio of a blend of ethanol share e by volume, by mass fractions. */
export function blendAfr(ethanol: number): number {
  const mass = (ethanol * ETHANOL_DENSITY) / blendDensity(ethanol)
  return ETHANOL_AFR * mass + GASOLINE_AFR * (1 - mass)
}

/** Flow of a worn jet against its nominal one as a share, at one head and one Cd: (d/d₀)² − 1. Bores mm. */
export const flowChange = (boreMm: number, nominalMm: number): number => (boreMm / nominalMm) ** 2 - 1
