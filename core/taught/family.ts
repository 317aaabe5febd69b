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

/** How the units of a family breathe: what a tap on its picture says, but for its barrels. */
export const breathes: Readonly<Record<FamilyName, Omit<Described, 'barrels'>>> = {
  downdraft: { draft: 'down', throttle: 'fixed venturi' },
  'four-barrel downdraft': { draft: 'down', throttle: 'fixed venturi' },
  updraft: { draft: 'up', throttle: 'fixed venturi' },
  'twin updraft': { draft: 'up', throttle: 'fixed venturi' },
  'small one-barrel': { draft: 'side', throttle: 'fixed venturi' },
  slide: { draft: 'side', throttle: 'slide' },
  diaphragm: { draft: 'side', throttle: 'diaphragm' },
}
