import { shapeOf, type UnitDrawing } from '../drawing/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { downdraft } from './downdraft.ts'
import type { FamilyName } from './names.ts'
import { sidedraft } from './sidedraft.ts'
import { sizesOf, type UnitSizes } from './sizes.ts'
import { smallOneBarrel, twinUpdraft, updraft } from './updraft.ts'

const drawings: Record<FamilyName, (sizes: UnitSizes) => UnitDrawing> = {
  slide: (sizes) => sidedraft(sizes, false),
  diaphragm: (sizes) => sidedraft(sizes, true),
  'small one-barrel': smallOneBarrel,
  updraft,
  'twin updraft': twinUpdraft,
  downdraft: (sizes) => downdraft(sizes, false),
  'four-barrel downdraft': (sizes) => downdraft(sizes, true),
}

/** The family of a unit, by how it breathes and what its build sheet has. */
export function familyOf({ spec, build }: Pick<Sheets, 'spec' | 'build'>): FamilyName {
  const has = (code: string) => build.positions.some((position) => position.code === code)
  if (has('slide')) return 'slide'
  if (has('diaphragm')) return 'diaphragm'
  if (spec.draft === 'up') return spec.barrels > 1 ? 'twin updraft' : 'updraft'
  if (spec.draft === 'down') return spec.barrels > 2 ? 'four-barrel downdraft' : 'downdraft'
  return 'small one-barrel'
}

/** How a list number's unit is drawn; parts that its family does not know sit where somebody tapped. */
export function unitDrawing(sheets: Pick<Sheets, 'spec' | 'build'>): UnitDrawing {
  const drawing = drawings[familyOf(sheets)](sizesOf(sheets))
  const taught = Object.entries(sheets.spec.taught?.at ?? {}).filter(([code]) => !drawing.places[code])
  if (taught.length === 0) return drawing
  const places = { ...drawing.places }
  for (const [code, at] of taught) {
    const kind = sheets.build.positions.find((position) => position.code === code)?.kind
    if (kind) places[code] = { pieces: shapeOf(kind), at, axis: 0, way: 22 }
  }
  return { ...drawing, places }
}
