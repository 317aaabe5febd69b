import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { plainNumber } from '../../measure/index.ts'
import type { Metering } from '../../physics/range/index.ts'

/** What changed for a job's unit, as it was typed: the sheet's conditions and those of now. */
export interface JobAsked {
  altitude: string
  toAltitude: string
  temperature: string
  toTemperature: string
  /** per cent by volume */
  ethanol: string
  toEthanol: string
  /** what the air box draws at full, kPa */
  box: string
  toBox: string
  vent: 'inside' | 'outside'
  /** over outside, the bowl following, kPa */
  boost: string
  toBoost: string
  /** cm³ that one bore breathes for; empty where the engine is as it was */
  displacement: string
  toDisplacement: string
  /** mm, and the speed at full, rpm: asked with another engine only */
  throttle: string
  rpm: string
}

export const jobAskedBlank: JobAsked = {
  altitude: '0',
  toAltitude: '0',
  temperature: '15',
  toTemperature: '15',
  ethanol: '0',
  toEthanol: '0',
  box: '0',
  toBox: '0',
  vent: 'inside',
  boost: '0',
  toBoost: '0',
  displacement: '',
  toDisplacement: '',
  throttle: '',
  rpm: '3000',
}

const PLAIN = /^[-−]?\d+([.,]\d+)?$/

interface Range {
  name: string
  lo: number
  hi: number
  says: string
}
const RANGES = {
  altitude: {
    name: 'altitude',
    lo: -500,
    hi: 6000,
    says: 'The altitude is in meters, −500 to 6,000. A change in per cent is not asked: it follows from the meters.',
  },
  temperature: { name: 'temperature', lo: -50, hi: 60, says: 'The air’s temperature is in °C, −50 to 60.' },
  ethanol: { name: 'share of ethanol', lo: 0, hi: 100, says: 'The share of ethanol is 0 to 100 %.' },
  boost: { name: 'boost', lo: 0, hi: 300, says: 'Boost is 0 to 300 kPa over outside.' },
  box: { name: 'air box', lo: 0, hi: 5, says: 'What the air box draws at full is 0 to 5 kPa.' },
} as const satisfies Record<string, Range>

/** A number of a field that has a range. Refused by the field. */
function numberOf(asked: JobAsked, key: keyof JobAsked, range: Range): Result<number> {
  const text = asked[key].trim().replace('−', '-')
  const value = PLAIN.test(text) ? plainNumber(text) : Number.NaN
  if (!Number.isFinite(value)) return refuse(key, `“${asked[key].trim()}” is not a number. ${range.says}`)
  return value < range.lo || value > range.hi ? refuse(key, range.says) : value
}

/** The conditions of the sheet and of now as the model takes them. Refused by the field that is at fault. */
export function conditionsOf(asked: JobAsked): Result<{ ref: Metering; now: Metering }> {
  const both: Metering[] = []
  for (const side of ['', 'to'] as const) {
    const key = (name: string) =>
      (side ? `to${name[0]!.toUpperCase()}${name.slice(1)}` : name) as keyof JobAsked
    const values: number[] = []
    for (const [name, range] of Object.entries(RANGES)) {
      const value = numberOf(asked, key(name), range)
      if (isRefusal(value)) return value
      values.push(value)
    }
    const [altitude, temperatureC, ethanol, boost, box] = values as [number, number, number, number, number]
    both.push({ altitude, temperatureC, ethanol: ethanol / 100, boost, box })
  }
  const engines = enginesOf(asked)
  if (isRefusal(engines)) return engines
  return { ref: { ...both[0]!, ...engines?.ref }, now: { ...both[1]!, ...engines?.now } }
}

const ENGINE = {
  displacement: {
    name: 'displacement',
    lo: 10,
    hi: 5000,
    says: 'What one bore breathes for is 10 to 5,000 cm³.',
  },
  throttle: {
    name: 'throttle bore',
    lo: 5,
    hi: 120,
    says: 'The throttle’s bore is 5 to 120 mm: measure it.',
  },
  rpm: { name: 'speed', lo: 300, hi: 20_000, says: 'The speed at full is 300 to 20,000 rpm.' },
} as const satisfies Record<string, Range>

/** Air that passes a throttle at its stop where nobody measured it, mm². */
const USUAL_IDLE_AREA = 9

/** The engine of the sheet and the one of now; null where nobody says that it is another. */
function enginesOf(asked: JobAsked): Result<{ ref: Metering; now: Metering } | null> {
  if (asked.toDisplacement.trim() === '') return null
  const values: number[] = []
  for (const [key, range] of [
    ['displacement', ENGINE.displacement],
    ['toDisplacement', ENGINE.displacement],
    ['throttle', ENGINE.throttle],
    ['rpm', ENGINE.rpm],
  ] as const) {
    const value = numberOf(asked, key, range)
    if (isRefusal(value)) return value
    values.push(value)
  }
  const [was, is, bore, rpm] = values as [number, number, number, number]
  const engine = { displacement: was, rpm, bore, idleArea: USUAL_IDLE_AREA }
  return { ref: { engine }, now: { engine: { ...engine, displacement: is } } }
}
