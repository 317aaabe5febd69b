import { partKinds } from '@ekrond/core/sheets'
import * as v from 'valibot'

/** What waits for the bath, lies in it or dries, over all open jobs. */
export const BathsAnswer = v.object({
  items: v.array(
    v.object({
      job: v.string(),
      number: v.number(),
      body: v.number(),
      position: v.string(),
      name: v.string(),
      kind: v.picklist(partKinds),
      wash: v.object({
        bath: v.picklist(['warm', 'none']),
        fluid: v.picklist(['neutral', 'alkaline']),
        mostC: v.number(),
        minutesAFace: v.number(),
        faces: v.number(),
        why: v.string(),
      }),
      promise: v.string(),
      state: v.picklist(['waits', 'in', 'drying']),
      sinceMs: v.number(),
    }),
  ),
  /** jobs beyond those that were looked at */
  left: v.number(),
})
export type BathsAnswer = v.InferOutput<typeof BathsAnswer>
