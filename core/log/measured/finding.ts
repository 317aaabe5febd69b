import * as v from 'valibot'

const positive = v.pipe(v.number(), v.gtValue(0))
const notNegative = v.pipe(v.number(), v.minValue(0))

/** What can be measured of a part, a shape for each measurement that decides; lengths in mm, with the σ of what read them. */
const shapes = {
  mass: v.object({ what: v.literal('mass'), value: positive, sigma: positive }),
  /** the pin that enters and the one that does not */
  bore: v.object({ what: v.literal('bore'), go: positive, no: positive }),
  play: v.object({ what: v.literal('play'), value: notNegative, sigma: positive }),
  warp: v.object({
    what: v.literal('warp'),
    /** departure from plane, mm */
    value: notNegative,
    /** where it was felt along both diagonals: how far the middle lies below the corners, and how far the corners are out of one plane */
    bow: v.optional(v.number()),
    twist: v.optional(v.number()),
    sigma: positive,
  }),
  /** a worn diameter and the one beside it */
  step: v.object({ what: v.literal('step'), worn: positive, beside: positive, sigma: positive }),
  force: v.object({ what: v.literal('force'), value: positive, sigma: positive }),
  proud: v.object({ what: v.literal('proud'), value: notNegative, sigma: positive }),
  /** the vacuum at which a valve opened, kPa */
  opens: v.object({ what: v.literal('opens'), kpa: positive, sigma: positive }),
  light: v.object({
    what: v.literal('light'),
    /** how far a plate lies off its bore's centre, mm, toward which hour of the clock, and the light's mean width */
    offMm: notNegative,
    hour: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(12)),
    meanMm: notNegative,
    sigma: positive,
  }),
  ohms: v.object({
    what: v.literal('ohms'),
    /** null for an open circuit */
    value: v.nullable(notNegative),
    sigma: positive,
  }),
}

/** What was measured of a part: a mass (g), a bracket of pins, a play, a warp (mm). */
export type PartMeasured = {
  [W in keyof typeof shapes]: v.InferOutput<(typeof shapes)[W]>
}[keyof typeof shapes]
export type PartMeasuredBy<W extends PartMeasured['what']> = Extract<PartMeasured, { what: W }>

export const partMeasured: v.GenericSchema<unknown, PartMeasured> = v.union(Object.values(shapes))
