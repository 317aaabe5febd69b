import type { Cause } from './cause.ts'
import { fuelAndJets } from './fuel-and-jets.ts'
import { leaksAndFuel } from './leaks-and-fuel.ts'
import { movingParts } from './moving-parts.ts'

export type { Cause } from './cause.ts'

/** The shop's table of causes, from the trade: which findings bring which complaint. Shares, not certainties. */
export const causes: readonly Cause[] = [...fuelAndJets, ...movingParts, ...leaksAndFuel]
