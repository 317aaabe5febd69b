import * as v from 'valibot'

/** RFC 9457: what went wrong, as a sentence that a technician understands, with the field's path where there is one. */
export const Problem = v.object({
  type: v.string(),
  title: v.string(),
  status: v.number(),
  detail: v.string(),
  field: v.optional(v.string()),
})
export type Problem = v.InferOutput<typeof Problem>
