import * as v from 'valibot'
import { refusal } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'
import { bodyOf } from '../state.ts'

export const partOff = defineKind({
  kind: 'part.off',
  version: 1,
  ofBody: true,
  station: 'teardown',
  schema: v.object({
    position: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
    tray: v.pipe(v.string(), v.maxLength(20)),
  }),
  key: (data) => data.position,
  admit: (state, { data, body }, { sheets, standing }) => {
    const here = bodyOf(state, body)
    const position = sheets?.build.positions.find((p) => p.code === data.position)
    const name = position?.name ?? data.position
    if (sheets && !position && !standing)
      return refusal('position', `${sheets.build.listNumber} has no part ${data.position}.`, 'position')
    if (position?.stays && !standing)
      return refusal('stays', `${name} stays in. Taking it out risks damage.`, 'position')
    if (here.off[data.position] && !here.on[data.position])
      return refusal(
        'off twice',
        `${name} is off already: ${here.off[data.position]!.by} took it off into tray ${here.off[data.position]!.tray}.`,
        'position',
      )
    return undefined
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { [entry.data.position]: _, ...on } = body.on
      return { on, off: { ...body.off, [entry.data.position]: { tray: entry.data.tray, ...stamp(entry) } } }
    }),
  sentence: (data, name) => `${name(data.position)} off, into tray ${data.tray}`,
})
