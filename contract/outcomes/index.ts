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
  /** how many units of this number were taken apart here */
  takenApart: v.number(),
  /** in what units of this number differed from their book, the commonest first: the entry that told it last, and on how many jobs */
  amended: v.array(
    v.object({
      what: v.picklist(['own.part', 'setting.added', 'check.added']),
      name: v.string(),
      /** a part's kind; null of a setting or a check */
      part: v.nullable(v.string()),
      /** a listed part that was not there */
      absent: v.boolean(),
      jobs: v.number(),
      last: v.record(v.string(), v.unknown()),
    }),
  ),
  /** the run logs of this list number's jobs in which a probe was read, each in its order: the notes as `run.noted` has them */
  runs: v.array(v.array(v.record(v.string(), v.unknown()))),
})
export type OutcomesAnswer = v.InferOutput<typeof OutcomesAnswer>
