import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** the checks that prove a step, answered after its part went on; the last answer of each */
    proofs: Readonly<
      Record<string, { answer: 'held' | 'not yet'; words: string; by: string; at: string; entry: string }>
    >
  }
}

/** The check that proves a step, answered later than its part went on, or taken back. */
export const proofAnswered = defineKind({
  kind: 'proof.answered',
  version: 1,
  station: 'build',
  ofBody: true,
  slice: { body: { proofs: {} } },
  schema: v.object({
    position: Code,
    answer: v.picklist(['held', 'not yet']),
    words: v.pipe(v.string(), v.maxLength(200)),
  }),
  key: ({ position }) => position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      proofs: {
        ...body.proofs,
        [entry.data.position]: { answer: entry.data.answer, words: entry.data.words, ...stamp(entry) },
      },
    })),
  sentence: ({ position, answer, words }, name) =>
    `${name(position)}: ${answer === 'held' ? 'its check held' : 'its check is not made yet'}${words ? `, ${words}` : ''}`,
})
