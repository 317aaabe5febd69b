import { AIR_GAS_CONSTANT, SEA_LEVEL_KPA, ZERO_CELSIUS_K } from '../../base/constants/index.ts'
import { figure } from '../../measure/index.ts'
import { blendAfr, blendDensity } from '../metering/index.ts'
import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'
import { capital } from '../../base/words/index.ts'

/** Air pressure at an altitude of the standard atmosphere, kPa; −500 to 11,000 m (`docs/physics.md` 11). */
export function airPressure(altitudeM: number): Result<number> {
  const bad = checkNumbers({ altitude: altitudeM })
  if (bad) return bad
  if (altitudeM < -500 || altitudeM > 11_000)
    return refuse('altitude', 'The standard air is known from −500 to 11,000 m.')
  return SEA_LEVEL_KPA * pressureRatio(altitudeM)
}

/** Less than this does nothing that a jet would be changed for, m. */
const LEAST_ALTITUDE = 200

const pressureRatio = (altitudeM: number): number => (1 - 2.25577e-5 * altitudeM) ** 5.25588

/** What thinner air does to a mixture with the same jets, and what area and bore would bring it back; shares, air as warm as at the sea. */
export function atAltitude(altitudeM: number): { richer: number; area: number; bore: number } {
  const area = Math.sqrt(pressureRatio(altitudeM))
  return { richer: 1 / area - 1, area, bore: Math.sqrt(area) }
}

/** The same in words; empty where it is too little to matter, or beyond the air that is known. */
export function altitudeWords(altitudeM: number): string {
  if (
    !Number.isFinite(altitudeM) ||
    Math.abs(altitudeM) < LEAST_ALTITUDE ||
    typeof airPressure(altitudeM) !== 'number'
  )
    return ''
  const { richer, area, bore } = atAltitude(altitudeM)
  return `At ${figure(altitudeM, 0)} m: ${figure(Math.abs(richer) * 100, 0)} % ${richer > 0 ? 'richer' : 'leaner'} with the jets of a sheet for the sea; ${figure(area, 2)} of their area (${figure(bore, 2)} of the bore) brings it back.`
}

/** Air and fuel that a jet is chosen for: altitude m, temperature °C, ethanol share by volume, λ. */
export interface AirAndFuel {
  altitude: number
  temperatureC: number
  ethanol: number
  lambda: number
}

/**
 * How much larger a jet's area must be than at a reference: √(ρ_air/ρ_ref)·(AFR_ref/AFR)·√(ρf_ref/ρf)·(λ_ref/λ); the bore by its square
 * root (`docs/physics.md` 11). The mixture at a fixed jet enriches as the other way round.
 */
export function jetFactor(
  now: AirAndFuel,
  reference: AirAndFuel,
): Result<{ areaFactor: number; boreFactor: number }> {
  const at = densityOf(now, '')
  if (typeof at !== 'number') return at
  const then = densityOf(reference, 'ref')
  if (typeof then !== 'number') return then
  const areaFactor =
    Math.sqrt(at / then) *
    (blendAfr(reference.ethanol) / blendAfr(now.ethanol)) *
    Math.sqrt(blendDensity(reference.ethanol) / blendDensity(now.ethanol)) *
    (reference.lambda / now.lambda)
  return { areaFactor, boreFactor: Math.sqrt(areaFactor) }
}

function densityOf(
  { altitude, temperatureC, ethanol, lambda }: AirAndFuel,
  prefix: '' | 'ref',
): Result<number> {
  const named = (name: string) => (prefix ? `ref${capital(name)}` : name)
  const bad = checkNumbers(
    {
      [named('altitude')]: altitude,
      [named('temperatureC')]: temperatureC,
      [named('ethanol')]: ethanol,
      [named('lambda')]: lambda,
    },
    {
      min: { [named('ethanol')]: 0 },
      above: { [named('temperatureC')]: -ZERO_CELSIUS_K, [named('lambda')]: 0 },
    },
  )
  if (bad) return bad
  if (ethanol > 1) return refuse(named('ethanol'), 'The ethanol share runs from 0 to 1.')
  const pressure = airPressure(altitude)
  if (typeof pressure !== 'number') return refuse(named('altitude'), pressure.refused.why)
  return (1000 * pressure) / (AIR_GAS_CONSTANT * (temperatureC + ZERO_CELSIUS_K))
}
