import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'

export { fitElectric, type ElectricTravel } from './electric.ts'

/**
 * A plate in its bore: the edge that touches at radius R from the shaft, the wall at distance w from the shaft line (R ≥ w),
 * mm. Shut at α₀ = acos(w/R). Angles rad from shut.
 */
export interface Plate {
  edgeRadius: number
  wallDistance: number
}

const shutAngle = (plate: Plate) => Math.acos(plate.wallDistance / plate.edgeRadius)

function checkPlate(plate: Plate) {
  const { edgeRadius, wallDistance } = plate
  const bad = checkNumbers({ edgeRadius, wallDistance }, { above: { edgeRadius: 0, wallDistance: 0 } })
  if (bad) return bad
  return wallDistance > edgeRadius
    ? refuse('wallDistance', 'The wall cannot stand farther off than the plate reaches.')
    : undefined
}

/** Gap between plate edge and wall, mm, opened by β: g = w − R·cos(α₀ + β); 0 ≤ β ≤ 90° − α₀. Refuses `open` outside. */
export function plateGap(plate: Plate, open: number): Result<number> {
  const bad = checkPlate(plate) ?? checkNumbers({ open }, { min: { open: 0 } })
  if (bad) return bad
  const shut = shutAngle(plate)
  if (shut + open > Math.PI / 2 + 1e-9)
    return refuse('open', 'The plate stands upright before it has opened so far.')
  return plate.wallDistance - plate.edgeRadius * Math.cos(shut + open)
}

/** Opening from shut, rad, for a gap: β = acos((w − g)/R) − α₀; 0 ≤ g ≤ w. Refuses `gap` outside. */
export function plateAngle(plate: Plate, gap: number): Result<number> {
  const bad = checkPlate(plate) ?? checkNumbers({ gap }, { min: { gap: 0 } })
  if (bad) return bad
  if (gap > plate.wallDistance + 1e-9) return refuse('gap', 'The gap is wider than the plate can open.')
  return Math.acos(Math.max(0, plate.wallDistance - gap) / plate.edgeRadius) - shutAngle(plate)
}

/** Turns of a stop screw from one gap to another: r_s·(β₂ − β₁)/p; positive opens. Lever radius and pitch mm. */
export function plateScrew(
  plate: Plate,
  gapNow: number,
  gapWanted: number,
  leverRadius: number,
  pitch: number,
): Result<number> {
  const bad = checkNumbers({ gapNow, gapWanted, leverRadius, pitch }, { above: { leverRadius: 0, pitch: 0 } })
  if (bad) return bad
  const now = plateAngle(plate, gapNow)
  if (typeof now !== 'number') return refuse('gapNow', now.refused.why)
  const wanted = plateAngle(plate, gapWanted)
  if (typeof wanted !== 'number') return refuse('gapWanted', wanted.refused.why)
  return (leverRadius * (wanted - now)) / pitch
}

/**
 * How much a link square to its lever (radius mm) is bent to bring a vacuum break's gap to its spec: Δβ·r_link, mm,
 * positive opens the plate.
 */
export function vacuumBreakBend(
  plate: Plate,
  gapNow: number,
  gapWanted: number,
  linkArm: number,
): Result<number> {
  return plateScrew(plate, gapNow, gapWanted, linkArm, 1)
}

/** Shift of the temperature at which the plate just shuts, °C, for a cover turned by notches (rich positive): k·n/c_b. */
export function indexShift(
  notchDegrees: number,
  coilDegreesPerC: number,
  notchesRich: number,
): Result<number> {
  const bad = checkNumbers(
    { notchDegrees, coilDegreesPerC, notchesRich },
    { above: { notchDegrees: 0, coilDegreesPerC: 0 } },
  )
  return bad ?? (notchesRich * notchDegrees) / coilDegreesPerC
}
