import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'

export * from './linkage.ts'

/** Volume of a piston pump, mL: π/4·D²·stroke, both mm. */
export function pistonVolume(wellBore: number, stroke: number): Result<number> {
  const bad = checkNumbers({ wellBore, stroke }, { min: { stroke: 0 }, above: { wellBore: 0 } })
  return bad ?? ((Math.PI / 4) * wellBore ** 2 * stroke) / 1000
}

/** How long a shot lasts, s: V/(Cd·n·πd²/4·√(2ΔP/ρ)); volume mL, holes n, bore mm, pressure kPa, density kg/m³. */
export function shotSeconds(
  volume: number,
  cd: number,
  holes: number,
  bore: number,
  pressure: number,
  density: number,
): Result<number> {
  const bad = checkNumbers(
    { volume, cd, holes, bore, pressure, density },
    { min: { volume: 0 }, above: { cd: 0, holes: 0, bore: 0, pressure: 0, density: 0 } },
  )
  if (bad) return bad
  if (!Number.isInteger(holes)) return refuse('holes', 'A nozzle has a whole number of holes.')
  const area = (holes * Math.PI * bore ** 2) / 4
  const velocity = Math.sqrt((2 * pressure * 1000) / density) * 1000 // mm/s
  return (volume * 1000) / (cd * area * velocity)
}
