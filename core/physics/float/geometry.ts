import { bisect } from '../../measure/fit/index.ts'
import type { FloatGeometry } from './float.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { floatBalance, type FloatBody } from './level.ts'
import type { Lever } from './bend.ts'

const DEGREE = Math.PI / 180

/** A guided float moves straight: it is reckoned as a lever so long that its arc is straight to a thousandth. */
const STRAIGHT_MM = 10_000

/** The measuring point's arm from the pin, mm. */
const measureArm = (geometry: FloatGeometry): number =>
  geometry.guided ? STRAIGHT_MM : Math.hypot(...geometry.measurePoint.at)

/**
 * The lever at a reading: the measuring point's angle above the datum plane is worked out, never stored.
 * sin φ = sense·(level reading − H)/r_m. Refuses `reading` outside what pin and arm can show.
 */
export function leverAt(geometry: FloatGeometry, reading: number): Result<Lever> {
  const arm = measureArm(geometry)
  const sine = (geometry.sense * (geometry.levelReading - reading)) / arm
  if (!(Math.abs(sine) < 1)) {
    const low = Math.max(0, geometry.levelReading - arm)
    return refuse(
      'reading',
      `The ${geometry.measurePoint.name} cannot stand at ${reading.toFixed(1)} mm: pin and arm allow ${low.toFixed(1)} to ${(geometry.levelReading + arm).toFixed(1)}. Read it again from the datum.`,
    )
  }
  return {
    measureArm: arm,
    measureAngle: Math.asin(sine),
    tangArm: geometry.guided ? STRAIGHT_MM : geometry.tangArm,
    sense: geometry.sense,
  }
}

export interface FloatPose {
  /** rad, positive float end up as installed */
  turn: number
  /** mm that a guided float stands above its own frame's origin */
  lift: number
}

/** How the float stands at a reading: turned about its pin, or lifted along its guide. */
export function floatPose(geometry: FloatGeometry, reading: number): Result<FloatPose> {
  if (geometry.guided) {
    const lift = geometry.sense * (geometry.levelReading - reading) - geometry.measurePoint.at[1]
    return Math.abs(lift) <= geometry.depth * 2
      ? { turn: 0, lift }
      : refuse(
          'reading',
          `The float cannot stand at ${reading.toFixed(1)} mm on its guide. Read it again from the datum.`,
        )
  }
  const turn = floatTurn(geometry, reading)
  return isRefusal(turn) ? turn : { turn, lift: 0 }
}

/** How far the float stands turned from its own frame's level at a reading, rad, positive float end up as installed. */
export function floatTurn(geometry: FloatGeometry, reading: number): Result<number> {
  const lever = leverAt(geometry, reading)
  if (isRefusal(lever)) return lever
  const [x, y] = geometry.measurePoint.at
  return lever.measureAngle - Math.atan2(y, x)
}

/** The reading that a float turned by `turn` (rad) would show. */
function readingAtTurn(geometry: FloatGeometry, turn: number): number {
  const [x, y] = geometry.measurePoint.at
  return geometry.levelReading - geometry.sense * measureArm(geometry) * Math.sin(turn + Math.atan2(y, x))
}

export const floatBody = (geometry: FloatGeometry, changes: Partial<FloatBody> = {}): FloatBody => ({
  floatMass: geometry.floatMass,
  planArea: geometry.planArea,
  depth: geometry.depth,
  buoyancyArm: geometry.buoyancyArm,
  gravityArm: geometry.gravityArm,
  needleMass: geometry.needleMass,
  needleAt: geometry.needleAt,
  tangArm: geometry.tangArm,
  // Straight on its guide there is no lever: buoyancy, weight and needle act in one line.
  ...(geometry.guided ? { buoyancyArm: 1, gravityArm: 1, tangArm: 1 } : {}),
  seatBore: geometry.seatBore,
  ...changes,
})

export interface LevelInUse {
  /** mm of fuel below the face with the engine running */
  belowFace: number
  immersion: number
  holds: boolean
  maxPressure: number
}

/**
 * Fuel level in use for a dry reading: (float's underside below the face at shut-off) − immersion (`physics.md` §5).
 * Pressure kPa above the vent, density kg/m³; `changes` for a soaked float or a worn seat.
 */
export function levelInUse(
  geometry: FloatGeometry,
  reading: number,
  pressure: number,
  density: number,
  changes: Partial<FloatBody> = {},
): Result<LevelInUse> {
  const pose = floatPose(geometry, reading)
  if (isRefusal(pose)) return pose
  const balance = floatBalance(floatBody(geometry, changes), pressure, density)
  if (isRefusal(balance)) return balance
  const { turn, lift } = pose
  const underside = geometry.guided
    ? geometry.undersideY + lift
    : geometry.buoyancyArm * Math.sin(turn) + geometry.undersideY * Math.cos(turn)
  return { belowFace: geometry.pinBelowFace - underside - balance.immersion, ...balance }
}

/** The dry reading that puts the fuel at a level below the face (mm), by bisection over the arm's reach; undefined where none does. */
export function readingForLevel(
  geometry: FloatGeometry,
  belowFace: number,
  pressure: number,
  density: number,
): number | undefined {
  if (geometry.guided) {
    // One millimetre of reading is one millimetre of level.
    const at = levelInUse(geometry, geometry.levelReading, pressure, density)
    return isRefusal(at) ? undefined : geometry.levelReading + geometry.sense * (belowFace - at.belowFace)
  }
  const levelAt = (turn: number) => {
    const level = levelInUse(geometry, readingAtTurn(geometry, turn), pressure, density)
    return isRefusal(level) ? NaN : level.belowFace - belowFace
  }
  const first = levelAt(-60 * DEGREE)
  if (!(first * levelAt(60 * DEGREE) < 0)) return undefined
  const { low, high } = bisect(-60 * DEGREE, 60 * DEGREE, (turn) => !(first * levelAt(turn) <= 0))
  return readingAtTurn(geometry, (low + high) / 2)
}
