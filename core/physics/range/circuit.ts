/** r/s + s/r with r = √(ρ_fuel/ρ_air) = 25 and a slip of 2 (`docs/physics.md` 21). */
const MIXED = 12.5

export const areaOf = (bore: number): number => (Math.PI / 4) * bore ** 2

/** Two openings in series, mm²: 1/A² = Σ 1/A_i², one coefficient for both. */
export const inSeries = (a: number, b: number): number => (a * b) / Math.hypot(a, b)

/** How much of the signal at an outlet its air bleed takes from the well: S_well = S/(1 + K). Areas mm². */
export const bleedFactor = (jet: number, bleed: number, outlet: number): number =>
  (jet ** 2 + bleed ** 2 + MIXED * jet * bleed) / outlet ** 2

/** What a jet passes beside its bleed and outlet, as an area, mm²: q = A_j/√(1 + K). Two phases with slip, bare areas, one Cd. */
export const passes = (jet: number, bleed: number, outlet: number): number =>
  jet / Math.sqrt(1 + bleedFactor(jet, bleed, outlet))

/** By what power the flow follows each of a circuit's three areas; their sum is 1. */
export function exponentsOf(
  jet: number,
  bleed: number,
  outlet: number,
): { jet: number; bleed: number; outlet: number } {
  const k = bleedFactor(jet, bleed, outlet)
  const half = 2 * outlet ** 2 * (1 + k)
  return {
    jet: 1 - (2 * jet ** 2 + MIXED * jet * bleed) / half,
    bleed: -(2 * bleed ** 2 + MIXED * jet * bleed) / half,
    outlet: k / (1 + k),
  }
}
