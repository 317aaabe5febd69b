import { floatTurn } from '../../physics/float/index.ts'
import {
  boxOf,
  closed,
  scaledDrawing,
  shapeOf,
  type Line,
  type PlaceOnSheet,
  type Pt,
  type FamilyDrawing,
  type UnitDrawing,
} from '../drawing/index.ts'
import type { PassagePlan } from '../passages/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import type { Borrowed, Sheets } from '../../sheets/index.ts'
import { downdraft } from './downdraft.ts'
import { cutOf, footprints, ring, scaledLine } from './footprints.ts'
import type { FamilyName } from './names.ts'
import { passagePlans } from './passages.ts'
import { sidedraft } from './sidedraft.ts'
import { sizesOf, type UnitSizes } from './sizes.ts'
import { smallOneBarrel } from './small-one-barrel.ts'
import { twinUpdraft, updraft } from './updraft.ts'

/** What a unit is drawn from: a list number's sheets, or what its family lends. */
export interface DrawnFrom {
  spec: Borrowed['spec'] & Partial<Sheets['spec']>
  build: Pick<Sheets['build'], 'positions'>
}

const drawings: Record<FamilyName, (sizes: UnitSizes) => FamilyDrawing> = {
  slide: (sizes) => sidedraft(sizes, false),
  diaphragm: (sizes) => sidedraft(sizes, true),
  'small one-barrel': smallOneBarrel,
  updraft,
  'twin updraft': twinUpdraft,
  downdraft: (sizes) => downdraft(sizes, false),
  'four-barrel downdraft': (sizes) => downdraft(sizes, true),
}

/** The family of a unit, by draft and what its build sheet has. */
export function familyOf({ spec, build }: DrawnFrom): FamilyName {
  const has = (code: string) => build.positions.some((position) => position.code === code)
  if (has('slide')) return 'slide'
  if (has('diaphragm')) return 'diaphragm'
  if (spec.draft === 'up') return spec.barrels > 1 ? 'twin updraft' : 'updraft'
  if (spec.draft === 'down') return spec.barrels > 2 ? 'four-barrel downdraft' : 'downdraft'
  return 'small one-barrel'
}

const width = (line: Line): number => Math.max(...line.map(([x]) => x)) - Math.min(...line.map(([x]) => x))

/** How much larger than its family's drawing a unit is: its own float beside the family's. */
const sizeOf = (family: FamilyDrawing, { section }: DrawnFrom['spec']): number =>
  width(section.float) / width(family.places.float!.pieces[0]!.line)

/** The same of a list number. */
export const sizeIn = (sheets: DrawnFrom): number =>
  sizeOf(drawings[familyOf(sheets)](sizesOf(sheets)), sheets.spec)

/** How a list number's unit is drawn, at its own size, with its own float; parts that its family does not know sit where somebody tapped. */
export function unitDrawing(sheets: DrawnFrom): UnitDrawing {
  const name = familyOf(sheets)
  const family = drawings[name](sizesOf(sheets))
  const k = sizeOf(family, sheets.spec)
  const drawing = scaledDrawing(family, k)
  const places = { ...drawing.places, ...ownFloat(drawing, sheets.spec) }
  for (const [code, at] of Object.entries({ ...sheets.spec.taught?.at, ...sheets.spec.placed })) {
    const kind = sheets.build.positions.find((position) => position.code === code)?.kind
    if (kind && !places[code]) places[code] = { pieces: shapeOf(kind), at, axis: 0, way: 22 }
  }
  return { ...drawing, places, plan: planOf(name, sheets.spec.barrels, k) }
}

/** All castings and bores from above, with the line that the section is cut along. */
function planOf(name: FamilyName, barrels: number, k: number): UnitDrawing['plan'] {
  const footprint = footprints[name](barrels)
  const castings = footprint.castings.map(({ line }) => ({ line: scaledLine(line, k) }))
  const bores = footprint.bores.map(([x, y]) => scaledLine(ring(x, y, 15), k))
  return {
    outlines: [...castings.map(({ line }) => line), ...bores],
    cut: cutOf(castings, footprint, k),
  }
}

/** Float, pin and needle by a list number's own outlines, the float as its sheet wants it. */
function ownFloat(
  { places, floatAt }: FamilyDrawing,
  { float, section, settings }: DrawnFrom['spec'],
): Record<string, PlaceOnSheet> {
  const wanted = settings.find(({ code }) => code === 'float.height')?.target ?? null
  const turn = float.guided || wanted === null ? 0 : floatTurn(float, wanted)
  const angle = isRefusal(turn) ? 0 : turn
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const about = (place: PlaceOnSheet, at: Pt, line: Line, turned: boolean): Line =>
    line.map(([x, y, r = 0]) => [
      (turned ? x * c - y * s : x) + at[0] - place.at[0],
      (turned ? x * s + y * c : y) + at[1] - place.at[1],
      r,
    ])
  const pin: Pt = [floatAt[0] + section.pin[0], floatAt[1] + section.pin[1]]
  const own: Record<string, PlaceOnSheet> = {}
  const { float: floatPlace, needle, 'float.pin': pinPlace } = places
  if (floatPlace) {
    const at = float.guided ? floatAt : pin
    const outline = about(floatPlace, at, section.float, !float.guided)
    const { x0, x1, y0, y1 } = boxOf([closed(outline)])
    own.float = {
      ...floatPlace,
      pieces: [
        closed(outline, 'cut'),
        ...(float.guided
          ? []
          : [
              closed(bar(about(floatPlace, at, section.arm, true), 1.1)),
              // the tang stands where it shuts the needle
              closed(bar(about(floatPlace, at, section.tang, false), 0.7)),
            ]),
      ],
      anchor: [x0 + (x1 - x0) * 0.8, (y0 + y1) / 2],
    }
  }
  // A part that lies on its side is drawn upright and turned with its axis.
  if (needle)
    own.needle = {
      ...needle,
      asSeated: true,
      pieces: [closed(about(needle, floatAt, section.needle, false), 'brass')],
    }
  if (pinPlace && !float.guided) own['float.pin'] = { ...pinPlace, at: pin }
  return own
}

/** A bent strip, mm, from its middle line and half its thickness. */
function bar(line: Line, half: number): Pt[] {
  const sides = line.map(([x, y], i): readonly [Pt, Pt] => {
    const [ax, ay] = line[Math.max(0, i - 1)]!
    const [bx, by] = line[Math.min(line.length - 1, i + 1)]!
    const length = Math.hypot(bx - ax, by - ay)
    const [nx, ny] = [(-(by - ay) / length) * half, ((bx - ax) / length) * half]
    return [
      [x + nx, y + ny],
      [x - nx, y - ny],
    ]
  })
  return [...sides.map(([one]) => one), ...sides.map(([, other]) => other).reverse()]
}

// Sheets are never changed: what was laid out of them once stands.
const plans = new WeakMap<DrawnFrom, PassagePlan>()

/** The passages of a list number's family, where they lie in its own drawing. */
export function passagePlanOf(sheets: DrawnFrom): PassagePlan {
  const known = plans.get(sheets)
  if (known) return known
  const plan = laidPassages(sheets)
  plans.set(sheets, plan)
  return plan
}

function laidPassages(sheets: DrawnFrom): PassagePlan {
  const k = sizeIn(sheets)
  const at = ([x, y, r = 0]: Pt): Pt => [x * k, y * k, r * k]
  const { ports, passages } = passagePlans[familyOf(sheets)]
  return {
    ports: ports.map((port) => ({ ...port, at: at(port.at) })),
    passages: passages.map((passage) => ({ ...passage, line: passage.line.map(at) })),
  }
}
