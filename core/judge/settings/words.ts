import type { FloatGeometry } from '../../sheets/index.ts'

export type Held = 'upright' | 'inverted' | 'side'

/**
 * Which way is toward the needle as the part is held, in words. As installed the needle stands above the tang, beside it, or
 * below; held upside down the words turn round.
 */
export function needleWay(
  needleAt: FloatGeometry['needleAt'],
  held: Held,
  toward: 'needle' | 'away',
): string {
  if (held === 'side') return toward === 'needle' ? 'toward the seat, as held' : 'away from the seat, as held'
  if (needleAt === 'side')
    return toward === 'needle' ? 'toward the wall with the seat' : 'away from the wall with the seat'
  const upAsInstalled = (needleAt === 'above') === (toward === 'needle')
  const up = held === 'inverted' ? !upAsInstalled : upAsInstalled
  return `${up ? 'up' : 'down'}, as held`
}

export const heldWords: Record<Held, string> = {
  upright: 'upright',
  inverted: 'upside down',
  side: 'on its side',
}

/** Thickness of a tang, mm: what the eye compares a bend with. */
const TANG_THICKNESS_MM = 0.9

/** A bend as a share of the tang's thickness, the way that hands know it. */
export function bendAsShare(bendMm: number): string {
  const share = bendMm / TANG_THICKNESS_MM
  if (share < 0.2) return 'barely a nudge'
  if (share < 0.42) return 'a third of its thickness'
  if (share < 0.62) return 'half its thickness'
  if (share < 0.87) return 'three quarters of its thickness'
  if (share < 1.2) return 'its own thickness'
  return `${share.toFixed(1)} times its thickness`
}
