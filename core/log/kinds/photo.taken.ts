import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** Where a photograph belongs that belongs to no part: what it shows the unit like; `source` is the page that a value stands on, its position the setting's key. */
const photoSteps = ['received', 'asfound', 'teardown', 'clean', 'build', 'left', 'source'] as const
export type PhotoStep = (typeof photoSteps)[number]

/** Which side of the work a photograph shows; null for a page, which goes out with no job. */
export const sideOf = (step: PhotoStep): 'as it came' | 'as left' | null =>
  step === 'source' ? null : step === 'left' || step === 'build' ? 'as left' : 'as it came'

/** A photograph of a body: of a step, or of a position at a step. */
export interface Photo {
  /** SHA-256 of the picture, and of its small one, 64 hexadecimal figures */
  photo: string
  thumb: string
  width: number
  height: number
  step: PhotoStep
  position: string | null
  words: string
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    photos: readonly Photo[]
  }
}

const Hash = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'A photograph is named by its hash.'))
const side = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4096))

export const photoTaken = defineKind({
  kind: 'photo.taken',
  version: 1,
  ofBody: true,
  slice: { body: { photos: [] } },
  schema: v.object({
    photo: Hash,
    thumb: Hash,
    width: side,
    height: side,
    step: v.picklist(photoSteps),
    position: v.nullable(Code),
    words: v.pipe(v.string(), v.maxLength(200)),
  }),
  key: ({ photo }) => photo,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      photos: [
        ...body.photos.filter(({ photo }) => photo !== entry.data.photo),
        { ...entry.data, ...stamp(entry) },
      ],
    })),
  sentence: ({ position, step, words }, name) =>
    `photographed ${position ? name(position).toLowerCase() : PHOTO_WORDS[step]}${words ? `: ${words}` : ''}`,
})

const PHOTO_WORDS: Record<PhotoStep, string> = {
  received: 'it as it came',
  asfound: 'it as found',
  teardown: 'it coming apart',
  clean: 'it being cleaned',
  build: 'it going together',
  left: 'it as left',
  source: 'a page',
}
