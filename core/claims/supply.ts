import { workingConditions, fuelAtWork } from '../sheets/conditions/index.ts'
import { bodyOf, lastSaid, type JobState } from '../log/index.ts'
import { figure } from '../measure/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { judgedByOther, type Sheets } from '../sheets/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

/** Inflow over demand that is wanted at full load (`docs/physics.md` 6). */
const WANTED_MARGIN = 1.3

const claim = (body: number, subject: string, name: string, ways: Way[]): Claim =>
  stated({ of: 'supply', body, subject, name, station: 'set', ways })

/**
 * What this job's pressure, fuel and engine do to a unit that is set to its sheet: a pressure above the sheet's most, a level that
 * leaves the sheet's band, an inlet that passes too little. What is not known of the job is the sheet's own, and stands in no way; told
 * or corrected later it is judged anew.
 */
export function supplyClaims(state: JobState, sheets: Sheets, body = 1): Claim[] {
  const { spec } = sheets
  // What pressure a taught unit bears, and where its fuel should stand, its family cannot say.
  if (spec.taught) return []
  const conditions = workingConditions(state.opened ?? undefined, spec)
  const here = bodyOf(state, body)
  const kpa = figure(conditions.pressureKpa)
  const pressure = claim(
    body,
    'pressure',
    'Fuel pressure',
    conditions.pressureKpa > spec.supply.mostKpa + 1e-9
      ? [
          way(
            'open',
            'pressure',
            `Fuel pressure ${kpa} kPa, ${spec.supply.mostKpa} at most`,
            'fit a regulator or another seat, or give a reason',
            { value: kpa },
          ),
        ]
      : [],
  )
  const height = lastSaid(here.readings['float.height/none'])
  const setting = spec.settings.find(({ code }) => code === 'float.height')
  // What another sheet called in says nothing of this one.
  if (height?.shown.verdict !== 'in' || (setting && judgedByOther(height, setting, sheets))) return [pressure]
  const drop = lastSaid(here.readings['float.drop/none'])
  const at = fuelAtWork(spec, height.value, drop?.value ?? null, conditions)
  if (isRefusal(at)) return [pressure]
  const { level, margin } = at
  const stands = figure(level.belowFace)
  const levelWays = !level.holds
    ? [
        way(
          'open',
          'level',
          `The float cannot shut off against ${kpa} kPa`,
          'it will overflow: fit a regulator or another seat',
          { weight: 'fatal', value: kpa },
        ),
      ]
    : level.belowFace < spec.level.lo - 1e-9 || level.belowFace > spec.level.hi + 1e-9
      ? [
          way(
            'open',
            'level',
            `Fuel would stand ${stands} mm below the face, ${figure(spec.level.lo)} to ${figure(spec.level.hi)} is wanted`,
            `at this job’s ${kpa} kPa and fuel, with the float at ${figure(height.value)}`,
            { value: stands },
          ),
        ]
      : []
  const marginWays =
    margin !== null && margin < WANTED_MARGIN
      ? [
          way(
            'open',
            'margin',
            `The inlet passes ${figure(margin)} of full-load demand`,
            `${WANTED_MARGIN} is needed: check drop, seat or pressure`,
            { value: figure(margin) },
          ),
        ]
      : []
  return [
    pressure,
    claim(body, 'level', 'Fuel level at work', levelWays),
    ...(margin === null ? [] : [claim(body, 'margin', 'Inlet at full load', marginWays)]),
  ]
}
