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
  /** how it lay, one of its kind's ways */
  wayRound?: string | undefined
  /** what to mind with it, and what shows that it is right once it is on */
  caution?: string | undefined
  check?: string | undefined
  /** what holds it, where it is held by a thread: thread, length (mm), torque (N·m) */
  fastener?: { thread: string; lengthMm: number; torqueNm: number | null } | undefined
  /** of a valve: the vacuum at which it opens by its number or book, kPa */
  opensKpa?: number | undefined
  /** who else looked, where a listed part is not there; and what is otherwise in one that is */
  second?: string | undefined
  differs?: string | undefined
  by: string
}

declare module '../state.ts' {
  interface BodyState {
    ownParts: Readonly<Record<string, OwnPart & { entry: string }>>
  }
}

const FewWords = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(120))

/**
 * A part as it is on this unit: of a taught one as it came off, of a listed one where its sheet does not have it, has it otherwise, or
 * has one that is not there.
 */
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
    wayRound: v.optional(FewWords),
    caution: v.optional(FewWords),
    check: v.optional(FewWords),
    fastener: v.optional(
      v.object({
        thread: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(20)),
        lengthMm: v.pipe(v.number(), v.gtValue(0), v.maxValue(200)),
        torqueNm: v.nullable(v.pipe(v.number(), v.gtValue(0), v.maxValue(40))),
      }),
    ),
    opensKpa: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(95))),
    second: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))),
    differs: v.optional(FewWords),
  }),
  key: (data) => data.position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { by, entry: id } = stamp(entry)
      return { ownParts: { ...body.ownParts, [entry.data.position]: { ...entry.data, by, entry: id } } }
    }),
  sentence: ({ absent, name, quantity, stamped, differs, second }) =>
    absent
      ? `found no ${name.toLowerCase()} on it${second ? `; ${second} looked too` : ''}`
      : differs
        ? `found ${name.toLowerCase()} other than its sheet: ${differs}`
        : `wrote ${name.toLowerCase()}${quantity > 1 ? `, ${quantity}` : ''}${stamped ? `, stamped ${stamped}` : ''}`,
})
