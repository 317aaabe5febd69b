import { blendAfr, blendDensity } from '../metering/index.ts'

/** Pressure at which small jets are compared, Pa, and their length over their bore (`docs/physics.md` 2). */
const COMPARED_AT_PA = 1000
const LONG = 3
const GASOLINE_VISCOSITY = 0.6
const ETHANOL_VISCOSITY = 1.5

/** Kinematic viscosity of a blend, mm²/s: the logarithms by volume. */
const viscosityOf = (ethanol: number): number =>
  GASOLINE_VISCOSITY ** (1 - ethanol) * ETHANOL_VISCOSITY ** ethanol

/** The discharge coefficient of a small jet in a blend at 1 kPa: the long-orifice correlation of `docs/physics.md` 2. Bore mm. */
function jetCd(bore: number, ethanol: number): number {
  const speed = Math.sqrt((2 * COMPARED_AT_PA) / blendDensity(ethanol))
  const reynolds = (bore * 1e-3 * speed) / (viscosityOf(ethanol) * 1e-6)
  const turn = Math.log10(0.00015 * reynolds)
  return (
    1 /
    (1 / (0.827 - 0.0085 * LONG) +
      (20 / reynolds) * (1 + 2.25 * LONG) -
      (0.005 * LONG) / (1 + 7.5 * turn ** 2))
  )
}

/** How a jet's coefficient changes from one blend to another, by its old bore. */
export const cdChange = (bore: number | undefined, from: number, to: number): number =>
  bore === undefined || from === to ? 1 : jetCd(bore, to) / jetCd(bore, from)

/** What the fuel must rise by from one blend to another: by mass, by volume, and in area at one signal. Shares by volume. */
export function fuelFactors(
  ethanol: number,
  refEthanol: number,
): { mass: number; area: number; volume: number } {
  const mass = blendAfr(refEthanol) / blendAfr(ethanol)
  const density = blendDensity(refEthanol) / blendDensity(ethanol)
  return { mass, area: mass * Math.sqrt(density), volume: mass * density }
}
