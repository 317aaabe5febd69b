import { checkNumbers, isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { airPressure } from '../air/index.ts'
import { rangeAir } from './air.ts'
import type { Engine, RangeFamily } from './state.ts'

/** The lowest idle vacuum must lie so far over the opening point, kPa (`docs/physics.md` 7). */
const MARGIN_KPA = 7
const STEPS = 60

export interface PowerProblem {
  /** kPa; or the spring: preload N, rate N/mm, compression mm, weight N that helps the vacuum, piston mm² */
  opensAt?: number
  preload?: number
  rate?: number
  compression?: number
  weight?: number
  pistonArea?: number
  /** as read at `measuredAltitude`, kPa */
  idleVacuum?: number
  cruiseVacuum?: number
  measuredAltitude?: number
  family?: RangeFamily
  engine?: Engine
  altitude?: number
  temperatureC?: number
}

export interface PowerOpening {
  /** the vacuum to which it must fall, kPa */
  opensAt: number
  margin?: number
  cruiseMargin?: number
  suits?: boolean
  /** 0 where it is open at idle already, null where the vacuum never falls so far at this speed */
  opening?: number | null
}

/** p = (F0 + k·x − W)/A, kPa. */
function springOpensAt({
  preload,
  rate = 0,
  compression = 0,
  weight = 0,
  pistonArea,
}: PowerProblem): Result<number> {
  const [force, area] = [preload ?? NaN, pistonArea ?? NaN]
  const bad = checkNumbers(
    { preload: force, rate, compression, weight, pistonArea: area },
    { min: { preload: 0, rate: 0, compression: 0, weight: 0 }, above: { pistonArea: 0 } },
  )
  if (bad) return bad
  const left = force + rate * compression - weight
  return left <= 0
    ? refuse('weight', 'The weight holds it shut against its spring: it never opens.')
    : (left / area) * 1000
}

/**
 * When vacuum enrichment opens, against this engine's idle and cruise at an altitude: at the same load the manifold keeps its pressure,
 * so that every vacuum falls by the fall of the air's (`docs/physics.md` 22).
 */
export function powerOpens(problem: PowerProblem): Result<PowerOpening> {
  const { altitude = 0, measuredAltitude = altitude, temperatureC = 15, idleVacuum, cruiseVacuum } = problem
  let opensAt = problem.opensAt
  if (opensAt === undefined) {
    const spring = springOpensAt(problem)
    if (isRefusal(spring)) return spring
    opensAt = spring
  }
  const bad = checkNumbers({ opensAt, altitude, measuredAltitude }, { above: { opensAt: 0 } })
  if (bad) return bad
  const here = airPressure(altitude)
  if (isRefusal(here)) return here
  const there = airPressure(measuredAltitude)
  if (isRefusal(there)) return refuse('measuredAltitude', there.refused.why)
  const said: PowerOpening = { opensAt }
  const vacuums = { idleVacuum: idleVacuum ?? 0, cruiseVacuum: cruiseVacuum ?? 0 }
  const wrong = checkNumbers(vacuums, { min: { idleVacuum: 0, cruiseVacuum: 0 } })
  if (wrong) return wrong
  const cruise = cruiseVacuum === undefined ? undefined : cruiseVacuum - (there - here) - opensAt
  if (idleVacuum !== undefined) {
    said.margin = idleVacuum - (there - here) - opensAt
    if (cruise !== undefined) said.cruiseMargin = cruise
    said.suits = said.margin >= MARGIN_KPA - 1e-9 && (cruise === undefined || cruise > 0)
  } else if (cruise !== undefined) said.cruiseMargin = cruise
  if (!problem.engine) return said
  const opening = openingAt(opensAt, { ...problem, engine: problem.engine, altitude, temperatureC })
  return isRefusal(opening) ? opening : { ...said, opening: opening.at }
}

/** The opening at which the vacuum falls to a pressure: it falls as the throttle opens. */
function openingAt(
  opensAt: number,
  { family = 'plate', engine, altitude, temperatureC }: PowerProblem & { engine: Engine },
): Result<{ at: number | null }> {
  const vacuumAt = (opening: number) =>
    rangeAir({ family, engine, opening, altitude: altitude ?? 0, temperatureC: temperatureC ?? 15 })
  const [shut, wide] = [vacuumAt(0), vacuumAt(1)]
  if (isRefusal(shut)) return shut
  if (isRefusal(wide)) return wide
  if (shut.vacuum <= opensAt) return { at: 0 }
  if (wide.vacuum > opensAt) return { at: null }
  let [lo, hi] = [0, 1]
  for (let i = 0; i < STEPS; i++) {
    const x = (lo + hi) / 2
    const air = vacuumAt(x)
    if (isRefusal(air)) return air
    if (air.vacuum > opensAt) lo = x
    else hi = x
  }
  return { at: (lo + hi) / 2 }
}
