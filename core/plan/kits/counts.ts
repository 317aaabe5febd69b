import type { KitLayout } from './layout.ts'

/** A kit that came, counted to zero. */
export interface KitCount {
  /** pieces that belong here and are on from it */
  on: number
  /** pieces that no position here takes, each with the reason that its layout gives */
  over: number
  /** what belongs here and is on from elsewhere: not explained by the kit */
  unexplained: string[]
}

/** Counts a kit's layout against what went on: `on` says by position where its part came from. */
export function countKit(
  layout: KitLayout,
  on: Readonly<Record<string, { from: string } | undefined>>,
): KitCount {
  const here = layout.goesIn.filter(({ position }) => position !== undefined && on[position])
  return {
    on: here
      .filter(({ position }) => on[position!]!.from === 'kit')
      .reduce((sum, { quantity }) => sum + quantity, 0),
    over: layout.staysOver.reduce((sum, { quantity }) => sum + quantity, 0),
    unexplained: here.filter(({ position }) => on[position!]!.from !== 'kit').map(({ reason }) => reason),
  }
}

/** What a kit's contents cost bought loose, each part where it is cheapest, minor units; and how many of its parts nobody sells so. Shipping apart. */
export function looseWorth(
  holds: readonly { part: string; quantity: number }[],
  singles: readonly { part: string; priceMinor: number }[],
): { sum: number; missing: number } {
  const cheapest = holds.map(({ part, quantity }) => {
    const prices = singles.filter((one) => one.part === part).map(({ priceMinor }) => priceMinor)
    return prices.length ? Math.min(...prices) * Math.max(0, quantity) : null
  })
  return {
    sum: cheapest.reduce<number>((sum, one) => sum + (one ?? 0), 0),
    missing: cheapest.filter((one) => one === null).length,
  }
}
