import type { Conditions } from './working.ts'
import { CD_NEEDLE_AND_SEAT } from '../../physics/metering/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { SpecSheet } from '../schemas.ts'
import { leverAt, levelInUse, type LevelInUse, inflow } from '../../physics/float/index.ts'

export interface AtWork {
  level: LevelInUse
  /** inflow over demand at full load; null where no drop was read */
  margin: number | null
}

/**
 * The fuel's level (mm below the face) and the inlet's margin with the engine running, for a float read dry at `height` and, where it
 * was read, hanging at `drop` (mm), at a job's pressure (kPa) and fuel. `docs/physics.md` 5 and 6. Refuses what the arm cannot show.
 */
export function fuelAtWork(
  spec: SpecSheet,
  height: number,
  drop: number | null,
  conditions: Conditions,
): Result<AtWork> {
  const { float } = spec
  const level = levelInUse(float, height, conditions.pressureKpa, conditions.densityKgM3)
  if (isRefusal(level)) return level
  if (drop === null) return { level, margin: null }
  const lever = leverAt(float, height)
  if (isRefusal(lever)) return lever
  const flow = inflow({
    ...lever,
    heightReading: height,
    dropReading: drop,
    seatBore: float.seatBore,
    coneHalfAngle: (float.coneHalfAngle * Math.PI) / 180,
    pressure: conditions.pressureKpa,
    density: conditions.densityKgM3,
    cd: CD_NEEDLE_AND_SEAT,
    powerKw: spec.engine.powerKw,
    bsfc: spec.engine.bsfc,
    ethanol: conditions.ethanol,
    buoyancyArm: float.buoyancyArm,
    tangAngle: (float.tangAngle * Math.PI) / 180,
  })
  return isRefusal(flow) ? flow : { level, margin: flow.margin }
}
