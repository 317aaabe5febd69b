import * as v from 'valibot'
import { MOST } from '../../base/limits/index.ts'
import { partKinds, places } from '../../sheets/index.ts'
import { Code, FreeWords } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

export interface OwnPart {
  position: string
  name: string
  kind: (typeof partKinds)[number]
  circuit: 'fuel' | 'air' | 'vacuum' | 'none'
  place: (typeof places)[number]
  quantity: number
  /** bore or thickness as it was read, mm */
  mm: number | null
  /** the number that a new one is ordered by; empty where nobody knows one */
  part: string
  /** what is stamped on it */
  stamped: string
  underneath: string
  /** where it sits on its family's drawing, mm; null where that has a place for it or nobody tapped one */
  at: readonly [number, number] | null
  /** its family has it, this unit does not */
  absent: boolean
  /** its layer in the stack */
  layer: number | null
  by: string
}

declare module '../state.ts' {
  interface BodyState {
    ownParts: Readonly<Record<string, OwnPart & { entry: string }>>
  }
}

/** A part of a taught unit as it came off: where its family has the position, what is otherwise here. */
export const ownPart = defineKind({
  kind: 'own.part',
  version: 1,
  station: 'teardown',
  ofBody: true,
  slice: { body: { ownParts: {} } },
  schema: v.object({
    position: Code,
    name: v.pipe(v.string(), v.trim(), v.minLength(1, 'Enter the part’s name.'), v.maxLength(60)),
    kind: v.picklist(partKinds),
    circuit: v.picklist(['fuel', 'air', 'vacuum', 'none']),
    place: v.picklist(places),
    quantity: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)),
    mm: v.nullable(v.pipe(v.number(), v.gtValue(0), v.maxValue(200))),
    part: v.pipe(v.string(), v.trim(), v.maxLength(MOST.code)),
    stamped: v.pipe(v.string(), v.trim(), v.maxLength(20)),
    underneath: FreeWords,
    at: v.nullable(v.tuple([v.number(), v.number()])),
    absent: v.boolean(),
    layer: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(99))),
  }),
  key: (data) => data.position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { by, entry: id } = stamp(entry)
      return { ownParts: { ...body.ownParts, [entry.data.position]: { ...entry.data, by, entry: id } } }
    }),
  sentence: ({ absent, name, quantity, stamped }) =>
    absent
      ? `found no ${name.toLowerCase()} on it`
      : `wrote ${name.toLowerCase()}${quantity > 1 ? `, ${quantity}` : ''}${stamped ? `, stamped ${stamped}` : ''}`,
})
