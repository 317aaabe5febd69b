import type { Position } from '../../sheets/index.ts'

/** What mending a part takes: minutes at the bench, material in minor units of money, and after how many tries to stop. */
interface Mending {
  what: string
  minutes: number
  materialMinor: number
  tries: number
}

/** The shop's table of mends, by part and condition; a measured fault has its kind's `measured`. */
const MENDS: Readonly<Record<string, Mending>> = {
  'shaft measured': { what: 'bush it', minutes: 60, materialMinor: 900, tries: 1 },
  'shaft worn': { what: 'bush it', minutes: 60, materialMinor: 900, tries: 1 },
  'shaft plateLoose': { what: 'new screws, secured', minutes: 15, materialMinor: 120, tries: 2 },
  'cover measured': { what: 'lap it', minutes: 25, materialMinor: 100, tries: 3 },
  'cover warped': { what: 'lap it', minutes: 25, materialMinor: 100, tries: 3 },
  'body measured': { what: 'lap it', minutes: 30, materialMinor: 100, tries: 3 },
  'body warped': { what: 'lap it', minutes: 30, materialMinor: 100, tries: 3 },
  'cover stripped': { what: 'an insert', minutes: 25, materialMinor: 350, tries: 1 },
  'body stripped': { what: 'an insert', minutes: 25, materialMinor: 350, tries: 1 },
  'screw stripped': { what: 'an insert', minutes: 25, materialMinor: 350, tries: 1 },
  'electric wire': { what: 'a new end', minutes: 12, materialMinor: 150, tries: 2 },
  'body standpipe': { what: 'a new pipe pressed in', minutes: 40, materialMinor: 600, tries: 1 },
  'link bent': { what: 'bend it back', minutes: 8, materialMinor: 0, tries: 2 },
  'float bentArm': { what: 'straighten it', minutes: 10, materialMinor: 0, tries: 2 },
  'float rubbing': { what: 'centre it', minutes: 10, materialMinor: 0, tries: 2 },
  'pump wellScored': { what: 'polish the well', minutes: 20, materialMinor: 50, tries: 2 },
  'seat sealFlat': { what: 'a new ring', minutes: 5, materialMinor: 80, tries: 2 },
  'seat loose': { what: 'ring and thread', minutes: 10, materialMinor: 80, tries: 2 },
}

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
 * A part that takes half an hour to fit costs the same either way and is left out. Null where the table knows no mend.
 */
export function mendOrBuy(
  position: Pick<Position, 'kind' | 'part'>,
  finding: { condition: string; measured: boolean; tried: number },
  hourMinor: number,
  singles: readonly { part: string; priceMinor: number; leadDays: number }[],
): MendOrBuy | null {
  const mending =
    MENDS[`${position.kind} ${finding.condition}`] ??
    (finding.measured ? MENDS[`${position.kind} measured`] : undefined)
  if (!mending) return null
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
