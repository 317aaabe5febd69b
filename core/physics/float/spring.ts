import { GRAVITY } from '../../base/constants/index.ts'
import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'

/** A float on a needle with a spring-loaded pin, held upside down; mass g, arms mm, preload N, rate N/mm, angle rad, travel mm. */
export interface SpringNeedle {
  floatMass: number
  gravityArm: number
  tangArm: number
  measureArm: number
  preload: number
  rate: number
  measureAngle?: number
  travel?: number
}

/**
 * What a spring-loaded pin does to a dry reading (`docs/physics.md` 4): the float's weight presses with F = m·g·x_g/r_t and pushes the
 * pin in by min((F − F0)/k, travel) where F exceeds the preload; the reading is false by that × r_m·cos φ/r_t, towards 'shuts off
 * later'. `tilt`: the smallest turn (rad) about an axis along the hinge pin, float end down, that leaves the pin alone.
 */
export function springError(one: SpringNeedle): Result<{ falseReading: number; tilt: number }> {
  const { floatMass, gravityArm, tangArm, measureArm, preload, rate, measureAngle = 0, travel } = one
  const bad = checkNumbers(
    {
      floatMass,
      gravityArm,
      tangArm,
      measureArm,
      preload,
      rate,
      measureAngle,
      ...(travel === undefined ? {} : { travel }),
    },
    {
      min: { preload: 0, travel: 0 },
      above: { floatMass: 0, gravityArm: 0, tangArm: 0, measureArm: 0, rate: 0 },
    },
  )
  if (bad) return bad
  if (Math.abs(measureAngle) >= Math.PI / 2)
    return refuse('measureAngle', 'The measuring point lies within 90° of the face.')
  const force = (floatMass * 1e-3 * GRAVITY * gravityArm) / tangArm
  const pushed = Math.min(Math.max(0, force - preload) / rate, travel ?? Infinity)
  return {
    falseReading: (pushed * measureArm * Math.cos(measureAngle)) / tangArm,
    tilt: Math.acos(Math.min(1, preload / force)),
  }
}
