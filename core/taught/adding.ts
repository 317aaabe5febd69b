import type { BodyState } from '../log/index.ts'
import type { OwnPart } from '../log/kinds/index.ts'
import { assemblyOrder, partsTable, type PartKind, type Position, type Sheets } from '../sheets/index.ts'
import { unitDrawing } from '../unit/families/index.ts'
import { withOwnParts } from './amended.ts'

/** What follows from a part before it is added: where it is put, and between which two it goes back on. */
export interface Follows {
  /** the sheets as they would be, to draw it by */
  sheets: Sheets
  position: Position | undefined
  tray: string
  /** it goes on after this one; null where it is the first */
  after: string | null
  /** and before that one; null where it is the last */
  before: string | null
}

/** What follows from a part that a listed body would have besides. */
export function followsFrom(sheets: Sheets, here: BodyState, part: Omit<OwnPart, 'by'>): Follows {
  const ownParts = { ...here.ownParts, [part.position]: { ...part, by: '', entry: '' } }
  const made = withOwnParts(sheets, { ...here, ownParts })
  const order = assemblyOrder(made.build)
  const at = order.findIndex(({ code }) => code === part.position)
  return {
    sheets: made,
    position: order[at],
    tray: order[at]?.tray ?? '',
    after: order[at - 1]?.name ?? null,
    before: order[at + 1]?.name ?? null,
  }
}

/** What a part at a place may be, by what sits near there: the kinds of the nearest places first, the rest as they are listed. */
export function kindsNear(
  sheets: Sheets,
  at: readonly [number, number] | null,
  kinds: readonly PartKind[],
): PartKind[] {
  if (!at) return [...kinds]
  const { places } = unitDrawing(sheets)
  const near = sheets.build.positions
    .flatMap(({ code, kind }) => {
      const place = places[code]
      return place ? [{ kind, far: Math.hypot(place.at[0] - at[0], place.at[1] - at[1]) }] : []
    })
    .sort((a, b) => a.far - b.far)
    .slice(0, 4)
    .map(({ kind }) => partsTable[kind].place)
  const rank = (kind: PartKind) => {
    const found = near.indexOf(partsTable[kind].place)
    return found < 0 ? near.length : found
  }
  return [...kinds].sort((a, b) => rank(a) - rank(b) || kinds.indexOf(a) - kinds.indexOf(b))
}

/** Something in which units of a number differed from their book, and on how many jobs. */
interface Differed {
  name: string
  absent: boolean
  jobs: number
}

/** On how many of the units of a number that came apart here something was seen, or was missing; this one is always counted. */
export function seenOn(
  name: string,
  absent: boolean,
  told: { amended: readonly Differed[]; takenApart: number } | undefined,
): { jobs: number; of: number } {
  const jobs =
    told?.amended.find((one) => one.absent === absent && one.name.toLowerCase() === name.toLowerCase())
      ?.jobs ?? 1
  return { jobs, of: Math.max(jobs, told?.takenApart ?? 1) }
}
