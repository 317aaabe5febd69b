import { workingConditions } from '../conditions/index.ts'
import { fuelAtWork } from '../float/at-work.ts'
import { lastSaid, bodyOf, type JobState } from '../job/state.ts'
import { figure } from '../measure/index.ts'
import { isRefusal } from '../refusal/index.ts'
import { judgedByOther } from '../sheets/judged.ts'
import type { Sheets } from '../sheets/schemas.ts'
import { point, type Point } from './station.ts'

/** Inflow over demand that is wanted at full load (`docs/physics.md` 6). */
const WANTED_MARGIN = 1.3

/**
 * What this job's pressure, fuel and engine do to a unit that is set to its sheet: a pressure above the sheet's most, a level that
 * leaves the sheet's band, an inlet that passes too little. What is not known of the job is the sheet's own, and stands in no way.
 */
export function conditionPoints(state: JobState, sheets: Sheets, body = 1): Point[] {
  const { spec } = sheets
  const conditions = workingConditions(state.opened ?? undefined, spec)
  const here = bodyOf(state, body)
  const points: Point[] = []
  // What pressure a taught unit bears, and where its fuel should stand, its family cannot say.
  if (spec.taught) return points
  if (conditions.pressureKpa > spec.supply.mostKpa + 1e-9)
    points.push(
      point(
        'pressure',
        `Fuel pressure ${figure(conditions.pressureKpa)} kPa, ${spec.supply.mostKpa} at most`,
        'a regulator, another seat, or a reason',
      ),
    )
  const height = lastSaid(here.readings['float.height/none'])
  const setting = spec.settings.find(({ code }) => code === 'float.height')
  // What another sheet called in says nothing of this one.
  if (height?.shown.verdict !== 'in' || (setting && judgedByOther(height, setting, sheets))) return points
  const drop = lastSaid(here.readings['float.drop/none'])
  const at = fuelAtWork(spec, height.value, drop?.value ?? null, conditions)
  if (isRefusal(at)) return points
  const { level, margin } = at
  if (!level.holds)
    points.push(
      point(
        'level',
        `The float cannot shut against ${figure(conditions.pressureKpa)} kPa`,
        'it will overflow: regulator, or another seat',
      ),
    )
  else if (level.belowFace < spec.level.lo - 1e-9 || level.belowFace > spec.level.hi + 1e-9)
    points.push(
      point(
        'level',
        `Fuel would stand ${figure(level.belowFace)} mm below the face, ${figure(spec.level.lo)} to ${figure(spec.level.hi)} is wanted`,
        `at this job’s ${figure(conditions.pressureKpa)} kPa and fuel, with the float at ${figure(height.value)}`,
      ),
    )
  if (margin !== null && margin < WANTED_MARGIN)
    points.push(
      point(
        'margin',
        `The inlet passes ${figure(margin)} of what full load takes`,
        `${WANTED_MARGIN} is wanted: drop, seat or pressure`,
      ),
    )
  return points
}
