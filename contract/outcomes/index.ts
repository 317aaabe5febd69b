import * as v from 'valibot'

/** Of a list number, as an address gives it. */
export const OutcomesQuery = v.object({ listNumber: v.optional(v.pipe(v.string(), v.maxLength(60))) })

/** What complaints came of in this shop, by the causes that their answers name; and what units of one list number came back with. */
export const OutcomesAnswer = v.object({
  answered: v.number(),
  causes: v.record(v.string(), v.number()),
  /** how bodies of this list number ended that did not go back, and how often */
  ends: v.record(v.string(), v.number()),
  relatives: v.array(
    v.object({
      number: v.number(),
      complaint: v.string(),
      explained: v.boolean(),
      words: v.string(),
      causes: v.array(v.string()),
    }),
  ),
  /** the run logs of this list number's jobs in which a probe was read, each in its order: the notes as `run.noted` has them */
  runs: v.array(v.array(v.record(v.string(), v.unknown()))),
})
export type OutcomesAnswer = v.InferOutput<typeof OutcomesAnswer>
