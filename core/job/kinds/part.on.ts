import * as v from 'valibot'
import { Code } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind, stamp, withBody } from '../kind.ts'
import { bodyOf, lastSaid } from '../state.ts'

export type PartSource = 'old' | 'kit' | 'loose' | 'shelf'

declare module '../state.ts' {
  interface BodyState {
    on: Readonly<
      Record<string, { from: PartSource; part: string | null; by: string; at: string; entry: string }>
    >
  }
}

export const partOn = defineKind({
  kind: 'part.on',
  version: 1,
  ofBody: true,
  slice: { body: { on: {} } },
  schema: v.object({
    position: Code,
    from: v.picklist(['old', 'kit', 'loose', 'shelf']),
    part: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  }),
  key: (data) => data.position,
  admit: (state, { data, body }, { sheets }) => {
    const here = bodyOf(state, body)
    const name = sheets?.build.positions.find((p) => p.code === data.position)?.name ?? data.position
    if (!here.off[data.position]) return notAdmitted('not off', name)
    if (here.on[data.position]) return notAdmitted('on twice', name, here.on[data.position]!.by)
    if (data.from === 'old' && lastSaid(here.findings[data.position])?.disposition === 'condemn')
      return notAdmitted('condemned', name)
    return undefined
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      on: {
        ...body.on,
        [entry.data.position]: { from: entry.data.from, part: entry.data.part, ...stamp(entry) },
      },
    })),
  sentence: (data, name) =>
    `${name(data.position)} on, ${data.from === 'old' ? 'the old one' : `new from ${data.from === 'loose' ? 'loose parts' : `the ${data.from}`}`}`,
})
