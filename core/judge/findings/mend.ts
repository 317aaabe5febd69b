import type { PartMeasured } from '../../log/index.ts'
import { partsTable, type Position } from '../../sheets/index.ts'

/** Mending a part beside buying another, in minor units of money. */
export interface MendOrBuy {
  what: string
  minutes: number
  mendMinor: number
  /** the cheapest new one and the days until it is here; null where nobody sells it by itself */
  buy: { priceMinor: number; days: number } | null
  better: 'mend' | 'buy'
  /** how often this repair was judged already, without success */
  tried: number
  /** tried often enough */
  stop: boolean
}

/**
 * Mend or buy: minutes at the hour's price (minor units) and material, against the cheapest new part with its share of nothing else.
 * What was measured decides how it is mended before what was seen. A part that takes half an hour to fit costs the same either way and
 * is left out. Null where the table knows no mend.
 */
export function mendOrBuy(
  position: Pick<Position, 'kind' | 'part'>,
  finding: { condition: string; measured: PartMeasured | null; tried: number },
  hourMinor: number,
  singles: readonly { part: string; priceMinor: number; leadDays: number }[],
): MendOrBuy | null {
  const { mends } = partsTable[position.kind]
  const usual = (finding.measured !== null ? mends?.measured : undefined) ?? mends?.[finding.condition]
  if (!usual) return null
  const { beyond } = usual
  const outMm = finding.measured?.what === 'warp' ? finding.measured.value : 0
  const mending = beyond && outMm > beyond.mm ? beyond.instead : usual
  const mendMinor = Math.round((mending.minutes / 60) * hourMinor) + mending.materialMinor
  const cheapest = singles
    .filter(({ part }) => part === position.part)
    .reduce<{ priceMinor: number; leadDays: number } | null>(
      (best, one) => (best && best.priceMinor <= one.priceMinor ? best : one),
      null,
    )
  const stop = finding.tried >= mending.tries
  return {
    what: mending.what,
    minutes: mending.minutes,
    mendMinor,
    buy: cheapest && { priceMinor: cheapest.priceMinor, days: cheapest.leadDays },
    better: cheapest && (stop || cheapest.priceMinor < mendMinor) ? 'buy' : 'mend',
    tried: finding.tried,
    stop,
  }
}
