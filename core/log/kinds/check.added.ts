import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** A check by hand or eye that this unit wants and its sheet does not ask for. */
export interface AddedCheck {
  code: string
  name: string
  /** what it has to do, as a verb: `swings free` */
  wants: string
  hold: string
  /** positions that it is of: it is made anew once one of them was opened */
  rests: string[]
  absent: boolean
}

declare module '../state.ts' {
  interface BodyState {
    addedChecks: Readonly<Record<string, AddedCheck & { by: string; entry: string }>>
  }
}

export const checkAdded = defineKind({
  kind: 'check.added',
  version: 1,
  station: 'prove',
  ofBody: true,
  slice: { body: { addedChecks: {} } },
  schema: v.object({
    code: Code,
    name: v.pipe(v.string(), v.trim(), v.minLength(1, 'Enter what is checked.'), v.maxLength(60)),
    wants: v.pipe(v.string(), v.trim(), v.minLength(1, 'Say what it has to do.'), v.maxLength(80)),
    hold: v.pipe(v.string(), v.trim(), v.maxLength(200)),
    rests: v.pipe(v.array(Code), v.maxLength(8)),
    absent: v.boolean(),
  }),
  key: (data) => data.code,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { by, entry: id } = stamp(entry)
      return { addedChecks: { ...body.addedChecks, [entry.data.code]: { ...entry.data, by, entry: id } } }
    }),
  sentence: ({ name, wants, absent }) =>
    absent
      ? `took the check of ${name.toLowerCase()} off its sheet`
      : `added a check to its sheet: ${name.toLowerCase()} ${wants}`,
})
