import * as v from 'valibot'
import { PersonName, SomeWords } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'
import { lower } from '../../base/words/index.ts'

declare module '../state.ts' {
  interface BodyState {
    /** proofs that can only be made once it is fitted, with the reason and a second name */
    whenFitted: Readonly<
      Record<
        string,
        { name: string; why: string; second: string | null; by: string; at: string; entry: string }
      >
    >
  }
}

/** A proof that the bench cannot make: it goes out unproved until fitted, and sheet and card say so. */
export const proofFitted = defineKind({
  kind: 'proof.fitted',
  version: 1,
  station: 'prove',
  ofBody: true,
  slice: { body: { whenFitted: {} } },
  schema: v.object({
    proof: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
    name: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
    why: SomeWords,
    /** null in a shop of one, which signs alone */
    second: v.nullable(PersonName),
  }),
  key: ({ proof }) => proof,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      whenFitted: {
        ...body.whenFitted,
        [entry.data.proof]: {
          name: entry.data.name,
          why: entry.data.why,
          second: entry.data.second,
          ...stamp(entry),
        },
      },
    })),
  sentence: ({ name, why, second }) =>
    `left ${lower(name)} untested until it is fitted, ${second ? `with ${second}` : 'alone'}: ${why}`,
})
