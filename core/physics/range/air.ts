import { AIR_GAS_CONSTANT, ZERO_CELSIUS_K } from '../../base/constants/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { airPressure } from '../air/index.ts'
import { engineFault, isNumber, rangeFamilies, type Engine, type RangeFamily } from './state.ts'

const DEG = Math.PI / 180
/** Of a throttle's opening, and a venturi's area as it counts in series behind it. */
const THROTTLE_CD = 0.8
const VENTURI = 2.1
/** Below this the flow through an opening is as fast as sound, and no lower pressure brings more. */
const CHOKED = 0.5283
const STEPS = 60

/** What an engine draws at an opening: air g/s, the manifold's vacuum and the pressure across the idle port, kPa. */
export interface Air {
  flow: number
  vacuum: number
  signal: number
}

/** The throttle's open area, mm², by the share of its travel; the air at its stop is not in it. */
function openArea(family: RangeFamily, engine: Engine, x: number): number {
  const { bore, closedAngle = 8, shaft = 8 } = engine
  const whole = (Math.PI / 4) * bore ** 2
  if (family === 'slide') {
    const t = Math.acos(1 - 2 * x)
    return (bore ** 2 / 4) * (t - Math.sin(t) * Math.cos(t))
  }
  const shut = closedAngle * DEG
  const open = whole * (1 - Math.cos(shut + x * (Math.PI / 2 - shut)) / Math.cos(shut))
  return Math.min(open, whole - bore * shaft)
}

/** The flow function Ψ of an opening by the pressure behind it over that before it; its square. */
const psiSquared = (u: number): number => {
  const v = Math.max(u, CHOKED)
  return 7 * (v ** (2 / 1.4) - v ** (2.4 / 1.4))
}

/** One speed of the engine at the i-th opening. */
export const speedAt = (engine: Engine, i: number): number =>
  typeof engine.rpm === 'number' ? engine.rpm : engine.rpm[i]!

/**
 * Air over the throttle (`docs/physics.md` 22): compressible flow through throttle and venturi in series against an engine that takes
 * its volume at what pressure is left. Pressure kPa, temperature °C. The engine was checked.
 */
export function airThrough(
  family: RangeFamily,
  engine: Engine,
  x: number,
  rpm: number,
  { pressure, temperatureC }: { pressure: number; temperatureC: number },
): Air {
  const rt = AIR_GAS_CONSTANT * (temperatureC + ZERO_CELSIUS_K)
  const throttle = THROTTLE_CD * (openArea(family, engine, x) + engine.idleArea)
  const narrow = engine.venturi === undefined ? Infinity : VENTURI * (Math.PI / 4) * engine.venturi ** 2
  const passes = Number.isFinite(narrow) ? (throttle * narrow) / Math.hypot(throttle, narrow) : throttle
  // m³/s that the engine would take at full density; C in m².
  const swept = (engine.displacement * 1e-6 * rpm * (engine.efficiency ?? 0.8)) / 120
  const b = swept / (passes * 1e-6 * Math.sqrt(rt))
  // Ψ falls and b·u rises with u: one root.
  let [lo, hi] = [0, 1]
  for (let i = 0; i < STEPS; i++) {
    const u = (lo + hi) / 2
    if (Math.sqrt(Math.max(0, psiSquared(u))) > b * u) lo = u
    else hi = u
  }
  const u = (lo + hi) / 2
  return {
    flow: ((swept * u * pressure * 1000) / rt) * 1000,
    vacuum: pressure * (1 - u),
    signal: (pressure * psiSquared(u)) / 2,
  }
}

/** The same, with what cannot be refused by its field. */
export function rangeAir({
  family,
  engine,
  opening,
  altitude = 0,
  temperatureC = 15,
}: {
  family: RangeFamily
  engine: Engine
  opening: number
  altitude?: number
  temperatureC?: number
}): Result<Air> {
  if (!rangeFamilies.includes(family)) return refuse('family', 'The family is plate, slide or cv.')
  const bad = engineFault(engine, 1)
  if (bad) return bad
  if (!isNumber(opening) || opening < 0 || opening > 1)
    return refuse('opening', 'The opening is a share of the travel, 0 to 1.')
  const pressure = airPressure(altitude)
  if (isRefusal(pressure)) return pressure
  if (!isNumber(temperatureC) || temperatureC <= -100 || temperatureC > 200)
    return refuse('temperatureC', 'The temperature must be that of outside air, in °C.')
  if (opening === 0 && engine.idleArea === 0)
    return refuse('idleArea', 'With nothing open at idle no air passes.')
  return airThrough(family, engine, opening, speedAt(engine, 0), { pressure, temperatureC })
}
