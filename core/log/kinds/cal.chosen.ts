import * as v from 'valibot'
import { MOST } from '../../base/limits/index.ts'
import { Code, SomeWords } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** What a calibration was chosen for: the fuel (share of ethanol by volume), the place (m), what else changed. */
export interface ChosenFor {
  ethanol: number
  altitudeM: number
  changes: readonly string[]
}

/** A size or a position that this job has in place of its sheet's. */
export interface Chosen {
  /** as it is called: a bore in mm, a groove */
  size: string
  /** what it has to measure: mm of a bore, the number of a groove */
  nominal: number
  /** mm of a shim under the needle's clip: it lifts the needle by its thickness */
  shimMm?: number | undefined
  /** the sheet's own; null where it says none */
  instead: number | null
  /** the part that has this size, where one is known */
  part: string | null
  why: string
  for: ChosenFor
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    /** by position, or by a setting's key */
    chosen: Readonly<Record<string, Chosen>>
  }
}

/** From this fuel's share of ethanol to that one's it is another fuel, from this place's altitude, m, to that one's another place. */
const ANOTHER = { ethanol: 0.05, altitudeM: 300 } as const

/** Whether a choice was made for the fuel and the place that the job has. */
export const isChosenFor = (
  { for: { ethanol, altitudeM } }: Pick<Chosen, 'for'>,
  now: { ethanol: number | null; altitudeM: number | null } | null,
): boolean =>
  Math.abs(ethanol - (now?.ethanol ?? 0)) < ANOTHER.ethanol &&
  Math.abs(altitudeM - (now?.altitudeM ?? 0)) < ANOTHER.altitudeM

/** The sheet's own, said as its size is: as many figures behind the point; empty where the sheet says none. */
export const insteadWords = ({ size, instead }: Pick<Chosen, 'size' | 'instead'>): string =>
  instead === null ? '' : instead.toFixed(size.includes('shim') ? 0 : (size.split('.')[1]?.length ?? 0))

/** Whether it is the sheet's own again. */
const isOwn = ({ nominal, instead, shimMm }: Pick<Chosen, 'nominal' | 'instead' | 'shimMm'>): boolean =>
  nominal === instead && !shimMm

/** A calibration that is not the sheet's, chosen with a reason; the sheet's own chosen again puts an end to it. */
export const calChosen = defineKind({
  kind: 'cal.chosen',
  version: 1,
  station: 'set',
  ofBody: true,
  slice: { body: { chosen: {} } },
  schema: v.object({
    of: Code,
    size: v.pipe(v.string(), v.minLength(1, 'Type a size.'), v.maxLength(40)),
    nominal: v.pipe(v.number(), v.gtValue(0), v.maxValue(100)),
    shimMm: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(2))),
    instead: v.nullable(v.pipe(v.number(), v.gtValue(0))),
    part: v.nullable(v.pipe(v.string(), v.minLength(1), v.maxLength(MOST.code))),
    why: SomeWords,
    for: v.object({
      ethanol: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
      altitudeM: v.pipe(v.number(), v.minValue(-500), v.maxValue(11_000)),
      changes: v.pipe(v.array(v.pipe(v.string(), v.minLength(1), v.maxLength(MOST.words))), v.maxLength(12)),
    }),
  }),
  key: (data) => data.of,
  apply: (state, entry) =>
    withBody(state, entry.body, ({ chosen }) => {
      const { of, ...data } = entry.data
      const { [of]: _, ...others } = chosen
      return {
        chosen: isOwn(data) ? others : { ...others, [of]: { ...data, ...stamp(entry) } },
      }
    }),
  sentence: ({ of, size, nominal, instead, shimMm, why }, name) =>
    isOwn({ nominal, instead, shimMm })
      ? `went back to the sheet’s ${size} for ${name(of)}: ${why}`
      : `chose ${size} for ${name(of)}${instead === null ? '' : `, not the sheet’s ${insteadWords({ size, instead })}`}: ${why}`,
})
