import * as v from 'valibot'
import { MOST } from '../../base/limits/index.ts'
import { Code } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind, stamp, withBody } from '../kind.ts'
import { bodyKey, bodyOf, lastSaid, type JobState } from '../state.ts'

export type PartSource = 'old' | 'kit' | 'loose' | 'shelf'

declare module '../state.ts' {
  interface BodyState {
    on: Readonly<
      Record<
        string,
        {
          from: PartSource
          part: string | null
          /** whether the check that proves it was answered as it went on */
          proof: 'held' | 'not yet' | 'none'
          /** a washer's, as it was measured before it went on */
          thicknessMm: number | null
          by: string
          at: string
          entry: string
        }
      >
    >
  }
}

export const partOn = defineKind({
  kind: 'part.on',
  version: 2,
  // What was put on before was put on by a key that said 'on, and proved'.
  upcasts: { 1: (data: object) => ({ ...data, proof: 'held', thicknessMm: null }) },
  ofBody: true,
  slice: { body: { on: {} } },
  schema: v.object({
    position: Code,
    from: v.picklist(['old', 'kit', 'loose', 'shelf']),
    part: v.nullable(v.pipe(v.string(), v.maxLength(MOST.code))),
    proof: v.picklist(['held', 'not yet', 'none']),
    thicknessMm: v.nullable(v.pipe(v.number(), v.gtValue(0), v.maxValue(20))),
  }),
  key: (data) => data.position,
  admit: (state, { data, body }, { sheets, standing }) => {
    const here = bodyOf(state, body)
    const name = sheets?.build.positions.find((p) => p.code === data.position)?.name ?? data.position
    if (!here.off[data.position]) return notAdmitted('not off', name)
    if (here.on[data.position]) return notAdmitted('on twice', name, here.on[data.position]!.by)
    if (data.from === 'old' && lastSaid(here.findings[data.position])?.disposition === 'condemn')
      return notAdmitted('condemned', name)
    if (data.from === 'old' && !standing && here.off[data.position]!.again === 'broke here')
      return notAdmitted('broke', name)
    if (standing || data.from === 'old') return undefined
    return isHere(state, bodyKey(body ?? 1, data.position), data.from)
      ? undefined
      : notAdmitted('not here', name, data.from)
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      on: {
        ...body.on,
        [entry.data.position]: {
          from: entry.data.from,
          part: entry.data.part,
          proof: entry.data.proof,
          thicknessMm: entry.data.thicknessMm,
          ...stamp(entry),
        },
      },
    })),
  sentence: (data, name) =>
    `${name(data.position)} on, ${data.from === 'old' ? 'the old one' : `new from ${data.from === 'loose' ? 'loose parts' : `the ${data.from}`}`}${data.thicknessMm ? `, ${data.thicknessMm} mm thick` : ''}${data.proof === 'not yet' ? '; its check is not made yet' : ''}`,
})

const LINE_OF = { kit: 'kit', loose: 'single', shelf: 'shelf' } as const

/** What can go on at a position: the old one, and new ones from where they really came. */
export const sourcesHere = (state: JobState, named: string): PartSource[] => [
  'old',
  ...(['kit', 'loose', 'shelf'] as const).filter((from) => isHere(state, named, from)),
]

/** Whether a new part for a position is really there: it came with its order, or was taken off the shelf for it. */
function isHere(state: JobState, named: string, from: Exclude<PartSource, 'old'>): boolean {
  return state.orders.some((order) =>
    order.lines.some(
      (line) =>
        line.what === LINE_OF[from] &&
        line.serves.includes(named) &&
        (order.arrived || line.what === 'shelf'),
    ),
  )
}
