import * as v from 'valibot'
import { lookCodes, looks, lookSays } from '../measured/looks.ts'
import { figure } from '../../measure/index.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** what was looked at from outside before it was drained, by look */
    looks: Readonly<
      Record<string, { seen: string; mm: number | null; by: string; at: string; entry: string }>
    >
  }
}

/** The level before it is drained, the plate over the transfer slot: as it came. */
export const asFoundSeen = defineKind({
  kind: 'asfound.seen',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { looks: {} } },
  schema: v.pipe(
    v.object({
      look: v.picklist(lookCodes),
      seen: v.picklist(['at', 'above', 'below', 'hidden', 'square', 'long', 'none']),
      /** mm above or below its mark */
      mm: v.nullable(
        v.pipe(v.number(), v.gtValue(0), v.maxValue(60, 'No bowl is so deep: type millimetres.')),
      ),
    }),
    v.check(({ look, seen, mm }) => {
      const answer = looks.find(({ code }) => code === look)!.answers.find(({ code }) => code === seen)
      return answer !== undefined && (mm === null || answer.measured === true)
    }, 'That is no answer to this look.'),
  ),
  key: ({ look }) => look,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { look, ...seen } = entry.data
      return { looks: { ...body.looks, [look]: { ...seen, ...stamp(entry) } } }
    }),
  sentence: ({ look, seen, mm }) =>
    seen === 'none'
      ? `${looks.find(({ code }) => code === look)!.name.toLowerCase()} as found: cannot be seen`
      : `as found: ${lookSays({ look, seen, mm: mm === null ? null : Number(figure(mm)) })
          .headline.replace(/\.$/, '')
          .toLowerCase()}`,
})
