import { figure } from '../measure/index.ts'
import { refuse, type Result } from '../base/refusal/index.ts'
import { factOf } from '../sheets/index.ts'

export type Tap = readonly [x: number, y: number]

/** An outline tapped on a photograph, px, with a length in it that is known. */
export interface TracedOutline {
  /** two marks of a ruler that lies beside it, and how far they are apart, mm */
  ruler: readonly Tap[]
  mm: number
  outline: readonly Tap[]
}

export interface TracedArea {
  /** mm² */
  area: number
  sigma: number
}

/** How far a tap misses its place, px of the picture as it was tapped: half of a fingertip's doubt. */
const TAP_SIGMA = 3
/** Marks nearer than this say too little of the scale, px. */
const LEAST_RULER = 60
const LEAST_TAPS = 6

const apart = (a: Tap, b: Tap): number => Math.hypot(a[0] - b[0], a[1] - b[1])
const nextOf = <T>(all: readonly T[], i: number): T => all[(i + 1) % all.length]!

/**
 * The area within an outline that was tapped on a photograph, mm², with its σ: the shoelace sum times the square of mm over px. Each
 * tap misses by TAP_SIGMA; a corner's miss moves the area by half of the distance between its neighbours, the ruler's two by twice
 * their share of its length. Refuses `mm`, `ruler`, `outline`.
 */
export function tracedArea({ ruler, mm, outline }: TracedOutline): Result<TracedArea> {
  if (!(mm > 0)) return refuse('mm', 'How far are the two marks apart, in mm?')
  const [a, b] = ruler
  if (!a || !b) return refuse('ruler', 'Tap two marks of the ruler that lies beside it.')
  const length = apart(a, b)
  if (length < LEAST_RULER)
    return refuse('ruler', 'The two marks are too near to each other: take marks farther apart.')
  if (outline.length < LEAST_TAPS)
    return refuse(
      'outline',
      `Go round the float: ${LEAST_TAPS - outline.length} more ${LEAST_TAPS - outline.length === 1 ? 'tap' : 'taps'} at least, one at each bend.`,
    )
  const crossed = crossing(outline)
  if (crossed)
    return refuse(
      'outline',
      `The line crosses itself after taps ${crossed[0] + 1} and ${crossed[1] + 1}. Take taps back, and go round in order.`,
    )
  const perPx = mm / length
  const twice = outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = nextOf(outline, i)
    return sum + x * ny - nx * y
  }, 0)
  const area = (Math.abs(twice) / 2) * perPx ** 2
  const corners = outline.reduce((sum, _, i) => {
    const before = outline[(i - 1 + outline.length) % outline.length]!
    return sum + (apart(before, nextOf(outline, i)) / 2) ** 2
  }, 0)
  const byCorners = TAP_SIGMA * Math.sqrt(corners) * perPx ** 2
  const byRuler = (2 * Math.SQRT2 * TAP_SIGMA * area) / length
  const { least, most } = factOf('float.area')!
  if (area < least || area > most)
    return refuse(
      'mm',
      `${figure(area, 0)} mm² is no float’s. Are the two marks really ${figure(mm)} mm apart?`,
    )
  return { area, sigma: Math.hypot(byCorners, byRuler) }
}

/** The first two sides that cross, by their first taps; null where none do. */
function crossing(outline: readonly Tap[]): readonly [number, number] | null {
  for (const [i, a] of outline.entries())
    for (let j = i + 2; j < outline.length; j++) {
      if (i === 0 && j === outline.length - 1) continue
      if (meet(a, nextOf(outline, i), outline[j]!, nextOf(outline, j))) return [i, j]
    }
  return null
}

function meet(a: Tap, b: Tap, c: Tap, d: Tap): boolean {
  const side = (p: Tap, q: Tap, r: Tap) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))
  return side(a, b, c) !== side(a, b, d) && side(c, d, a) !== side(c, d, b)
}
