import type { Conditions } from '../../sheets/conditions/index.ts'
import type { Gauge } from '../../measure/index.ts'
import type { Result } from '../../base/refusal/index.ts'
import type { Deciding, Position, SpecSheet, Disposition } from '../../sheets/index.ts'

/** What a measurement says of a part, with the limit that it was judged by. */
export interface Judgement {
  disposition: Disposition
  /** false where measuring again with a finer gauge would tell */
  sure: boolean
  /** the chance that the part is within its limit, as far as the gauge can tell */
  pIn: number
  limit: number
  unit: 'g' | 'mm' | 'N' | '%' | 'Ω' | 'kPa'
  rule: string
  sentence: string
}

/** Where a measurement of a part can lie at all: what lies outside was typed or read wrongly. */
export interface Range {
  value: number
  /** the value that it is expected near, and what it cannot go beyond */
  near: number
  least: number
  most: number
  unit: string
  /** why not, after 'cannot be' */
  limits: string
}

export type DecidingOf<W extends Deciding['what']> = Extract<Deciding, { what: W }>

/** One measurement that decides about a part: how it is asked and read, and what it means. */
export interface Finding<M extends { what: Deciding['what'] }> {
  label: string
  unit: string
  hint: string
  /** the gauge that reads it */
  gauge: Gauge['kind']
  /** what was typed; `sigma` is the gauge's. Refuses `text`. */
  read(raw: string, sigma: number): Result<M>
  /** where it can lie on such a part */
  range(measured: M, deciding: DecidingOf<M['what']>, spec: SpecSheet): Range
  /** the verdict by rule, on a part of its kind by what decides about it */
  judge(
    measured: M,
    part: { code: string; kind: Position['kind']; deciding: DecidingOf<M['what']> },
    spec: SpecSheet,
    conditions: Conditions,
  ): Result<Judgement>
}
