import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'

/** +1 where a larger reading means that the float shuts off earlier (lower fuel), −1 otherwise. */
export type Sense = 1 | -1

export interface Lever {
  /** Pin to the measuring point, mm. */
  measureArm: number
  /** The measuring point's angle above the datum plane at this reading, rad, as installed. */
  measureAngle: number
  /** Perpendicular distance from pin to needle axis, mm. */
  tangArm: number
  sense: Sense
}

export interface Bend {
  /** Rotation of the float at shut-off, rad; positive: the float end goes down, lower fuel. */
  rotation: number
  /** Movement of the tang's contact, mm, absolute. */
  bend: number
  toward: 'needle' | 'away' | 'none'
}

/**
 * The rotation of the float at shut-off that turns a reading into its target (mm, at the measuring point):
 * Δθ = φ − asin(sin φ − sense·(H* − H)/r_m). Refuses `measureAngle` outside ±90° and `target` beyond the arm's reach.
 */
export function floatRotation(reading: number, target: number, lever: Lever): Result<number> {
  const { measureArm, measureAngle, sense } = lever
  const bad = checkNumbers(
    { reading, target, measureArm, measureAngle, sense },
    { min: { reading: 0, target: 0 }, above: { measureArm: 0 } },
  )
  if (bad) return bad
  if (sense !== 1 && sense !== -1) return refuse('sense', 'The sense of the reading is 1 or -1.')
  if (Math.abs(measureAngle) >= Math.PI / 2)
    return refuse('measureAngle', 'The measuring point must lie within 90° of the datum plane.')
  const sine = Math.sin(measureAngle) - (sense * (target - reading)) / measureArm
  if (Math.abs(sine) > 1)
    return refuse('target', 'The arm cannot reach this height. Measure again, or look at the float and pin.')
  return measureAngle - Math.asin(sine)
}

/** How far and which way the tang is bent for a reading to become its target: δ = r_t·Δθ, toward the needle where Δθ > 0. */
export function tangBend(reading: number, target: number, lever: Lever): Result<Bend> {
  const bad = checkNumbers({ tangArm: lever.tangArm }, { above: { tangArm: 0 } })
  if (bad) return bad
  const rotation = floatRotation(reading, target, lever)
  if (typeof rotation !== 'number') return rotation
  const bend = lever.tangArm * rotation
  const toward = Math.abs(bend) < 1e-9 ? 'none' : bend > 0 ? 'needle' : 'away'
  return { rotation, bend: Math.abs(bend), toward }
}

/**
 * Where nothing is bent: the change of the washer under the seat, mm, positive thicker.
 * t = r_t·[sin φ_t − sin(φ_t − Δθ)]; a seat screwed in from outside takes the opposite sign.
 * `tangAngle` φ_t rad, the contact's angle from the perpendicular to the needle's axis, positive toward the seat.
 */
export function seatWasher(
  reading: number,
  target: number,
  lever: Lever,
  seatFrom: 'bowl' | 'outside',
  tangAngle = 0,
): Result<{ change: number; rotation: number }> {
  const bad = checkNumbers({ tangArm: lever.tangArm, tangAngle }, { above: { tangArm: 0 } })
  if (bad) return bad
  if (seatFrom !== 'bowl' && seatFrom !== 'outside')
    return refuse('seatFrom', 'A seat is screwed in from the bowl or from outside.')
  if (Math.abs(tangAngle) >= Math.PI / 2)
    return refuse('tangAngle', 'The contact must lie within 90° of the needle.')
  const rotation = floatRotation(reading, target, lever)
  if (typeof rotation !== 'number') return rotation
  const thickness = lever.tangArm * (Math.sin(tangAngle) - Math.sin(tangAngle - rotation))
  return { change: (seatFrom === 'bowl' ? thickness : -thickness) + 0, rotation }
}

/** The washer of the shop's stock nearest to the thickness wanted (mm), with the error of reading height it leaves. */
export function stockWasher(
  wantedMm: number,
  stockMm: readonly number[],
): { mm: number; error: number } | undefined {
  const sorted = [...stockMm].sort((a, b) => Math.abs(a - wantedMm) - Math.abs(b - wantedMm) || a - b)
  const mm = sorted[0]
  return mm === undefined ? undefined : { mm, error: mm - wantedMm }
}
