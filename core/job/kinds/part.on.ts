import * as v from 'valibot'
import { refusal } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'
import { bodyOf, lastSaid } from '../state.ts'

export const partOn = defineKind({
  kind: 'part.on',
  version: 1,
  ofBody: true,
  station: 'build',
  schema: v.object({
    position: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
    from: v.picklist(['old', 'kit', 'loose', 'shelf']),
    part: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  }),
  key: (data) => data.position,
  admit: (state, { data, body }, { sheets }) => {
    const here = bodyOf(state, body)
    const name = sheets?.build.positions.find((p) => p.code === data.position)?.name ?? data.position
    if (!here.off[data.position]) return refusal('not off', `${name} never came off.`, 'position')
    if (here.on[data.position])
      return refusal(
        'on twice',
        `${name} is on already: ${here.on[data.position]!.by} put it on.`,
        'position',
      )
    if (data.from === 'old' && lastSaid(here.findings[data.position])?.disposition === 'condemn')
      return refusal('condemned', `${name} is condemned. Fit another, or judge it again.`, 'from')
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
