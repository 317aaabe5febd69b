import { bodyOf, lastSaid, type JobState } from '../log/index.ts'
import { settingKey, type Sheets } from '../sheets/index.ts'
import type { StampedHalves } from './stamped.ts'
import { way, type Claim, type Way } from './claim.ts'

/** A gauge that was found off: what it showed after it was last good says nothing. */
export interface OffGauge {
  code: string
  /** the day on which it was last known to be good; null where nobody knows */
  goodOn: string | null
  /** the day on which it was found off */
  foundOffOn: string
}

/** What is known outside of the log when a claim is asked: newer sheets of the library, gauges that were found off, the moment. */
export interface Known {
  /** the library's newest sheets, of bodies that are worked by older ones */
  newest?: Readonly<Record<number, Sheets | undefined>>
  gauges?: readonly OffGauge[]
  /** what the library says each body's list number bears and measures */
  stamped?: Readonly<Record<number, StampedHalves | undefined>>
  at?: string
}

/** Whether what a gauge showed on a day still says something. */
const saysNothing = (gauges: readonly OffGauge[], code: string | null, on: string): OffGauge | undefined =>
  gauges.find(
    (gauge) => gauge.code === code && on <= gauge.foundOffOn && (gauge.goodOn === null || on > gauge.goodOn),
  )

/** What of a setting's claim falls away by what the library or the gauge drawer knows now. */
export function waysOfKnown(
  state: JobState,
  sheets: Sheets,
  { of, subject, body, name, ways }: Claim,
  known: Known,
): Way[] {
  if (of !== 'setting' || ways.some(({ as }) => as !== 'contradicted')) return []
  const reading = lastSaid(bodyOf(state, body).readings[subject])
  if (!reading) return []
  const named = `setting:${subject}`
  const newest = known.newest?.[body]
  const setting = sheets.spec.settings.find((one) => settingKey(one) === subject)
  const newer = newest?.spec.settings.find((one) => settingKey(one) === subject)
  // Only values that differ: a newer sheet with the same ones asks for nothing.
  if (
    newest &&
    !bodyOf(state, body).chosen[subject] &&
    setting &&
    newer &&
    (newer.target !== setting.target || newer.lo !== setting.lo || newer.hi !== setting.hi)
  )
    return [
      way(
        'void',
        named,
        `${name}: the library has ${newer.asWritten} now`,
        `it was set to ${setting.asWritten} by ${sheets.specRev}; work to ${newest.specRev} at Identify`,
        { value: `newer ${newest.specRev} ${reading.raw}` },
      ),
    ]
  const off = saysNothing(known.gauges ?? [], reading.gauge, reading.at.slice(0, 10))
  return off
    ? [
        way(
          'void',
          named,
          `${name}: read it again, the gauge was off`,
          `${off.code} was found out of tolerance on ${off.foundOffOn}${off.goodOn ? `, last good on ${off.goodOn}` : ''}`,
          { value: `gauge ${off.code} ${reading.raw}` },
        ),
      ]
    : []
}
