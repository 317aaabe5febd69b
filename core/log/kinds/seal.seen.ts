import * as v from 'valibot'
import { places } from '../../sheets/index.ts'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** seals of sealed adjusters, by the setting's key */
    seals: Readonly<
      Record<string, { state: 'intact' | 'broken'; whom: string; by: string; at: string; entry: string }>
    >
  }
}

/** A sealed adjuster's seal as it came: intact, or broken and by whom. */
export const sealSeen = defineKind({
  kind: 'seal.seen',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { seals: {} } },
  schema: v.object({
    code: Code,
    place: v.picklist(places),
    state: v.picklist(['intact', 'broken']),
    whom: v.pipe(v.string(), v.maxLength(60)),
  }),
  key: ({ code, place }) => `${code}/${place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { code, place, ...seen } = entry.data
      return { seals: { ...body.seals, [`${code}/${place}`]: { ...seen, ...stamp(entry) } } }
    }),
  sentence: ({ code, place, state, whom }, name) =>
    `seal of ${name(`${code}/${place}`).toLowerCase()} ${state}${whom ? `, ${whom}` : ''}`,
})
