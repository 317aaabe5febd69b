import type { Sample } from '../../measure/trace/index.ts'

export interface Lift {
  /** the highest pressure before the needle let go, kPa */
  popOffKpa: number
  /** where it shut again: the plateau after, kPa */
  reseatKpa: number
}

/** A fall that is a lift: by so much of the peak, or so many of the gauge's σ. */
const FALL_SHARE = 0.06
const FALL_SIGMAS = 8
/** A needle that lets go falls within so long, s. */
const LETS_GO_S = 0.8
/** A lift that shuts at less than this share of the others' has hung. */
const HANGS_BELOW = 0.8

/**
 * The lifts of a needle in a trace of somebody pumping (`docs/physics.md` 12): each is a peak and the plateau after it. Single wild
 * samples are passed over (median of three).
 */
export function findLifts(samples: readonly Sample[], sigma: number): Lift[] {
  const calm = samples.map(([, p], i) => {
    const three = [samples[i - 1]?.[1] ?? p, p, samples[i + 1]?.[1] ?? p].sort((a, b) => a - b)
    return three[1]!
  })
  const lifts: Lift[] = []
  let most = -Infinity
  let mostAt = 0
  let falling: number[] | null = null
  for (const [i, p] of calm.entries()) {
    const fall = Math.max(FALL_SIGMAS * sigma, FALL_SHARE * most)
    const t = samples[i]![0]
    if (!falling) {
      // What falls slowly is a hose that settles or a leak, not a needle that let go.
      if (p >= most || (t - mostAt > LETS_GO_S && p < most - fall)) [most, mostAt] = [p, t]
      else if (p < most - fall) falling = [p]
      continue
    }
    const low = Math.min(...falling)
    if (p > low + fall) {
      lifts.push({ popOffKpa: most, reseatKpa: plateau(falling, sigma) })
      falling = null
      ;[most, mostAt] = [p, t]
    } else falling.push(p)
  }
  if (falling) lifts.push({ popOffKpa: most, reseatKpa: plateau(falling, sigma) })
  return lifts
}

/** Where a fall comes to rest: the middle of what lies near its lowest. */
function plateau(falling: readonly number[], sigma: number): number {
  const low = Math.min(...falling)
  const near = falling.filter((p) => p <= low + 4 * sigma).sort((a, b) => a - b)
  return near[Math.floor(near.length / 2)]!
}

/** How many lifts shut clean, and how far apart they shut: one that shuts far under the others has hung. */
export function countLifts(lifts: readonly Lift[]): { clean: number; of: number; spreadKpa: number | null } {
  if (lifts.length === 0) return { clean: 0, of: 0, spreadKpa: null }
  const shut = lifts.map(({ reseatKpa }) => reseatKpa).sort((a, b) => a - b)
  const usual = shut[Math.floor(shut.length / 2)]!
  const clean = shut.filter((p) => p >= HANGS_BELOW * usual)
  return {
    clean: clean.length,
    of: lifts.length,
    spreadKpa: clean.length > 1 ? clean.at(-1)! - clean[0]! : null,
  }
}
