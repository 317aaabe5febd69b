import { isRefusal, refuse, type Result } from '../base/refusal/index.ts'
import { settingKey, type SettingSpec } from './schemas.ts'

/** A value beside those of its relatives. */
export interface Relatives {
  median: number
  /** 1.4826 × the weighted median of the distances from it */
  spread: number
  n: number
  suspect: boolean
  /** what it may have been before a slip of one figure, nearest to the median first */
  fixes: number[]
}

const MAD_TO_SIGMA = 1.4826
const SUSPECT = 3.5
const FIX = 1.5
const LEAST = 3
const MOST_DECIMALS = 4

/**
 * Whether a value fits its relatives (`docs/physics.md` 19): weighted median and spread of the values, the spread at least one unit of
 * the last written place; beyond 3.5 spreads it is a likely misprint, and each change of one digit or swap of two neighbouring ones
 * that brings it within 1.5 is offered. `values` are pairs of value and weight, those of weight 0 do not count.
 */
export function besideRelatives(
  values: readonly (readonly [value: number, weight: number])[],
  query: number,
  decimals = 1,
): Result<Relatives> {
  if (!Number.isInteger(decimals) || decimals < 0 || decimals > MOST_DECIMALS)
    return refuse('decimals', 'The written places are a whole number from 0 to 4.')
  if (values.some(([value, weight]) => !Number.isFinite(value) || !Number.isFinite(weight) || weight < 0))
    return refuse('values', 'Each relative has a value and a weight that is not below 0.')
  const counted = values.filter(([, weight]) => weight > 0)
  if (counted.length < LEAST) return refuse('values', 'Three relatives are the least that say anything.')
  if (!Number.isFinite(query) || query < 0)
    return refuse('query', 'The value is a number that is not below 0.')
  const written = query.toFixed(decimals)
  if (Math.abs(Number(written) - query) > 1e-9)
    return refuse('query', `The value has more than ${decimals} places after the point.`)
  const median = weightedMedian(counted)
  const spread =
    MAD_TO_SIGMA *
    weightedMedian(counted.map(([value, weight]) => [Math.abs(value - median), weight] as const))
  const s = Math.max(spread, 10 ** -decimals)
  const suspect = Math.abs(query - median) > SUSPECT * s + 1e-9
  const fixes = suspect
    ? slips(written)
        .filter((value) => Math.abs(value - median) <= FIX * s + 1e-9)
        .sort((a, b) => {
          const nearer = Math.abs(a - median) - Math.abs(b - median)
          return Math.abs(nearer) > 1e-9 ? nearer : a - b
        })
    : []
  return { median, spread, n: counted.length, suspect, fixes }
}

function weightedMedian(values: readonly (readonly [number, number])[]): number {
  const rising = [...values].sort((a, b) => a[0] - b[0])
  const half = rising.reduce((sum, [, weight]) => sum + weight, 0) / 2
  let running = 0
  for (const [i, [value, weight]] of rising.entries()) {
    running += weight
    if (Math.abs(running - half) <= 1e-12) return (value + (rising[i + 1]?.[0] ?? value)) / 2
    if (running > half) return value
  }
  return rising.at(-1)![0]
}

/** Every written form that differs by one digit, or by two neighbouring digits swapped; each value once. */
function slips(written: string): number[] {
  const places = [...written].flatMap((sign, i) => (sign === '.' ? [] : [i]))
  const forms = new Set<string>()
  for (const [n, i] of places.entries()) {
    for (let digit = 0; digit <= 9; digit++)
      forms.add(written.slice(0, i) + String(digit) + written.slice(i + 1))
    const j = places[n + 1]
    if (j === undefined) continue
    const signs = [...written]
    ;[signs[i], signs[j]] = [signs[j]!, signs[i]!]
    forms.add(signs.join(''))
  }
  forms.delete(written)
  return [...forms].filter((form) => /^(0|[1-9]\d*)(\.\d+)?$/.test(form)).map(Number)
}

/** How many places a value of a setting is written with. */
const DECIMALS: Readonly<Record<SettingSpec['quantity'], number>> = {
  length: 1,
  gap: 2,
  turns: 0,
  notches: 0,
  count: 0,
}

/** A value beside its relatives; with nothing typed their own median beside itself. Undefined under three of them. */
export function besideSetting(
  relatives: Readonly<Record<string, readonly { value: number; weight: number }[]>>,
  setting: SettingSpec,
  value: number | null,
): Relatives | undefined {
  const pairs = (relatives[settingKey(setting)] ?? []).map((one) => [one.value, one.weight] as const)
  const decimals = DECIMALS[setting.quantity]
  const query = value === null ? 0 : Number(value.toFixed(decimals))
  // Notches lean of the mark are below nothing: the sign is not a digit that slips.
  if (pairs.some(([one]) => one < 0) || query < 0) return undefined
  const read = besideRelatives(pairs, query, decimals)
  return isRefusal(read) ? undefined : read
}
