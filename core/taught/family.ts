import type { FamilyName } from '../unit/families/index.ts'

/** What five taps say of how a unit breathes. */
export interface Described {
  draft: 'down' | 'up' | 'side'
  barrels: number
  throttle: 'fixed venturi' | 'slide' | 'diaphragm'
}

/** The family that lends a described unit its drawing and usual positions: the nearest that there is. */
export function familyFor({ draft, barrels, throttle }: Described): FamilyName {
  if (throttle !== 'fixed venturi') return throttle
  if (draft === 'up') return barrels > 1 ? 'twin updraft' : 'updraft'
  if (draft === 'down') return barrels > 2 ? 'four-barrel downdraft' : 'downdraft'
  return 'small one-barrel'
}
