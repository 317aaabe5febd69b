import type { BodyState } from '../log/index.ts'
import type { OwnPart, Taught } from '../log/kinds/index.ts'
import { partsTable, type Position, type SpecSheet } from '../sheets/index.ts'
import { fits, named } from './fits.ts'

/** The positions of a taught unit: its family's, with what is otherwise here, without what is not there, and what it has besides. */
export function positionsOf(here: BodyState, taught: Taught, usual: readonly Position[]): Position[] {
  const own = here.ownParts
  const known = usual
    .filter(({ code }) => fits(taught, code, code) && !own[code]?.absent)
    .map((position) => {
      const plain = named(taught, position)
      const said = own[position.code]
      return said
        ? { ...plain, ...asWritten(said, plain) }
        : { ...plain, part: bySample(plain.name, plain.kind) }
    })
    // Which metal it is nobody has said: it is washed as the most delicate one.
    .map((position) => {
      return partsTable[position.kind].casting ? { ...position, material: 'zinc or aluminium' } : position
    })
  const codes = new Set(usual.map(({ code }) => code))
  const more = Object.values(own)
    .filter(({ position, absent }) => !codes.has(position) && !absent)
    .map((part) => newPosition(part, known))
  return [...known, ...more]
}

/** What a part is ordered by where nobody knows its number; a casting and a shaft are not bought. */
const bySample = (name: string, kind: Position['kind']): string | null =>
  partsTable[kind].notBought ? null : `${name}, by sample`

const asWritten = (part: OwnPart, { underneath }: Position): Partial<Position> => ({
  name: part.name,
  kind: part.kind,
  circuit: part.circuit,
  quantity: part.quantity,
  part: part.part || bySample(part.name, part.kind),
  underneath: part.underneath || underneath,
})

/** A part that its family does not have: worked like others of its kind, in the layer in which it came off. */
function newPosition(part: OwnPart, usual: readonly Position[]): Position {
  const like = usual.find(({ kind }) => kind === part.kind)
  return {
    code: part.position,
    material: like?.material ?? 'not known',
    layer: part.layer ?? 1,
    group: like?.group ?? 'all',
    tray: like?.tray ?? usual[0]!.tray,
    step: like?.step ?? 'As it comes.',
    cautions: like?.cautions ?? [],
    always: partsTable[part.kind].always ?? false,
    ethanolLimit: null,
    deciding: null,
    stays: false,
    proof: like?.proof ?? '',
    ...(asWritten(part, { underneath: '' } as Position) as Pick<
      Position,
      'name' | 'kind' | 'circuit' | 'quantity' | 'part' | 'underneath'
    >),
  }
}

/** Sizes as they were read on this unit; what nobody read has none. */
export function calibrationOf(
  here: BodyState,
  taught: Taught,
  usual: SpecSheet['calibration'],
): SpecSheet['calibration'] {
  const bore = here.ownFacts['seat.bore']
  const written = Object.values(here.ownParts).filter(
    ({ kind, absent, mm, stamped }) => !absent && kind === 'jet' && (mm !== null || stamped !== ''),
  )
  const said = new Map(written.map((part) => [part.position, part]))
  const keyOf = (one: { code: string; place: string }) =>
    one.place === 'none' ? one.code : `${one.code}/${one.place}`
  const known = usual
    .filter((one) => fits(taught, one.code, one.place))
    .map((one) => {
      const part = said.get(keyOf(one))
      said.delete(keyOf(one))
      if (part)
        return { ...named(taught, one), mm: part.mm, words: part.stamped && `stamped ${part.stamped}` }
      return one.code === 'seat' && typeof bore?.value === 'number'
        ? { ...one, mm: bore.value }
        : named(taught, one)
    })
  return [
    ...known,
    ...[...said.values()].map((part) => ({
      code: part.position,
      place: 'none' as const,
      name: part.name,
      mm: part.mm,
      words: part.stamped && `stamped ${part.stamped}`,
    })),
  ]
}
