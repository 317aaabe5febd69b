import * as v from 'valibot'
import { OWN_REVISION } from '../../sheets/index.ts'
import { defineKind, withBody } from '../kind.ts'

const families = [
  'slide',
  'diaphragm',
  'small one-barrel',
  'updraft',
  'twin updraft',
  'downdraft',
  'four-barrel downdraft',
] as const
export const floatHolds = ['from the cover', 'in the bowl', 'on a pin'] as const
export const chokeKinds = ['coil', 'plate by hand', 'enricher', 'none'] as const

/** A unit that no book knows, as somebody described it in five taps. */
export interface Taught {
  family: (typeof families)[number]
  barrels: number
  float: (typeof floatHolds)[number]
  choke: (typeof chokeKinds)[number]
  maker: string
  /** what it is called until it has a list number */
  name: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    taught: Taught | null
  }
}

const name = v.pipe(v.string(), v.trim(), v.minLength(1, 'Give it a name to go by.'), v.maxLength(60))

export const identTaught = defineKind({
  kind: 'ident.taught',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { taught: null } },
  schema: v.object({
    family: v.picklist(families),
    barrels: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4)),
    float: v.picklist(floatHolds),
    choke: v.picklist(chokeKinds),
    maker: v.pipe(v.string(), v.trim(), v.maxLength(60)),
    name,
  }),
  key: () => '',
  // What was measured stays with another family; a published unit is corrected in the library.
  apply: (state, entry) =>
    withBody(state, entry.body, () => ({
      ident: {
        listNumber: entry.data.name,
        specRev: OWN_REVISION,
        buildRev: OWN_REVISION,
        p: null,
        entry: entry.id,
      },
      taught: { ...entry.data, entry: entry.id },
    })),
  sentence: (data) => `began to teach it: ${data.name}, ${data.family}`,
})
