import {
  boxOf,
  movePieces,
  seated,
  shift,
  type Bounds,
  type Line,
  type Piece,
  type PlaceOnSheet,
  type Pt,
} from '../drawing/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { unitDrawing } from './drawing.ts'

/** What stands round a unit's float, mm, in the frame of its own section: x from the pin's foot, y up from the face. */
export interface FloatView {
  castings: { code: string; pieces: Piece[] }[]
  seat: Piece[]
  /** the pin that a guided float slides on */
  guide: Piece[]
  /** the cavity that holds fuel */
  bowl: Line
  /** on the needle near its tip: a line to it there runs clear of the face */
  needle: Pt
  /** how much of the castings is shown: they go on beyond it */
  window: Bounds
}

/** How far the castings are shown: before the pin, over the face they are read from, under a bowl's floor, beside the float, mm. */
const BEFORE = 28
const OVER = 28
const OVER_IN_USE = 14
const OVER_LID = 19.5
const WALL = 7
const BESIDE = 10

const known = new WeakMap<object, Map<'held' | 'use', FloatView>>()

/**
 * The castings at a unit's float, from the same drawing that comes apart in teardown: as held only what the float hangs on, its seat
 * in it; in use all that is closed round it.
 */
export function floatView(sheets: Pick<Sheets, 'spec' | 'build'>, view: 'held' | 'use'): FloatView {
  const before = known.get(sheets.spec)?.get(view)
  if (before) return before
  const { fixed, places, floatOn, floatAt, bowl } = unitDrawing(sheets)
  const { section, float } = sheets.spec
  const home = ([dx, dy]: readonly [number, number, number?], pieces: readonly Piece[]) =>
    movePieces(pieces, dx - floatAt[0], dy - floatAt[1])
  const kinds = new Map(sheets.build.positions.map(({ code, kind }) => [code, kind]))
  const lifted = Object.entries(places)
    .filter(([code, place]) => place.lifted && (kinds.get(code) === 'cover' || kinds.get(code) === 'gasket'))
    .map(([code, place]) => ({ code, pieces: home(place.at, place.pieces) }))
  const body = { code: 'body', pieces: home([0, 0], fixed) }
  // A needle that stands on its float shuts under a seat in the lid: the reading is taken with that on.
  const holds = float.guided ? places.seat?.parent : undefined
  const castings =
    view === 'use'
      ? [body, ...lifted]
      : floatOn === 'body'
        ? [body, ...lifted.filter(({ code }) => code === holds)]
        : lifted.filter(({ code }) => code === floatOn)
  const { x0, x1, y0, y1 } = boxOf(castings.flatMap(({ pieces }) => pieces))
  const floats = section.float.map(([x, y]) => [x + section.pin[0], y + section.pin[1]] as const)
  const right = Math.max(...floats.map(([x]) => x))
  const cavity = boxOf([{ line: shift(bowl, -floatAt[0], -floatAt[1]), closed: true, stroke: 'seen' }])
  const whole = view === 'use' || float.guided || float.sense === -1
  const own = (place: PlaceOnSheet | undefined): Piece[] => (place ? home([0, 0], seated(place)) : [])
  const drawn: FloatView = {
    castings,
    seat: own(places.seat),
    guide: own(places['guide.pin']),
    bowl: shift(bowl, -floatAt[0], -floatAt[1]),
    needle: nearTip(section.needle),
    window: {
      x0: Math.max(x0, whole ? Math.min(-BEFORE, cavity.x0 - WALL) : -BEFORE),
      x1: Math.min(x1, whole ? Math.max(right + BESIDE, cavity.x1 + WALL) : right + BESIDE),
      y0: Math.max(y0, whole ? cavity.y0 - WALL : Math.min(...floats.map(([, y]) => y))),
      y1: Math.min(y1, float.guided ? OVER_LID : view === 'use' ? OVER_IN_USE : OVER),
    },
  }
  known.set(sheets.spec, new Map([...(known.get(sheets.spec) ?? []), [view, drawn]]))
  return drawn
}

/** Of a needle, whose outline begins at the end away from its tip: well towards the tip from its middle. */
function nearTip(needle: readonly (readonly [number, number])[]): Pt {
  const [from] = needle
  const away = ([x, y]: readonly [number, number]) => Math.hypot(x - from![0], y - from![1])
  const tip = needle.reduce((far, one) => (away(one) > away(far) ? one : far))
  const mean = (pick: 0 | 1) => needle.reduce((sum, p) => sum + p[pick], 0) / needle.length
  const towards = (pick: 0 | 1) => mean(pick) + (tip[pick] - mean(pick)) * 0.7
  return [towards(0), towards(1)]
}
