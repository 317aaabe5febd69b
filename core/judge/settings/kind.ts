import type { BendTry } from '../../physics/float/learn.ts'
import type { Conditions } from '../../sheets/conditions/index.ts'
import type { Gauge, InOut } from '../../measure/index.ts'
import type { Result } from '../../base/refusal/index.ts'
import type { SettingSpec, SpecSheet } from '../../sheets/schemas.ts'

/**
 * What puts a setting right, as figures and as words. `of` is what is worked on, `way` the way it goes, `amount` how far, always
 * positive, in `unit`; `words` is the sentence, `short` the same beside an arrow on a drawing.
 */
export interface Remedy {
  action:
    | 'bend tang'
    | 'bend arm'
    | 'change washer'
    | 'bend stop'
    | 'bend link'
    | 'turn cover'
    | 'turn screw'
    | 'move'
    | 'renew'
    | 'as said'
  of: string
  way: string
  amount: number
  unit: 'mm' | 'eighths' | 'notches' | 'steps' | ''
  words: string
  detail: string
  short: string
}

/** What a reading means, as it is shown and frozen with the entry. */
export interface SettingJudgement {
  verdict: InOut
  pIn: number | null
  headline: string
  meaning: string
  remedy: Remedy | null
  /** what else it does or moves, in figures */
  facts: string[]
  assumes: string[]
}

export interface SettingContext {
  spec: SpecSheet
  specRev: string
  conditions: Conditions
  gauge: Gauge | null
  drawer: readonly Gauge[]
  /** the float height in force, for what depends on it (mm) */
  floatHeight: number | null
  /** the washer that lies under the seat now (mm), where one of another thickness was fitted on this job */
  washerMm?: number | null
  /** bends of the tang between two readings, and one after which nobody has read yet */
  bends?: { tries: readonly BendTry[]; open: Omit<BendTry, 'after'> | null }
}

/** The drill that enters and the next one that does not, mm. */
export interface Bracket {
  go: number
  no: number
}

/** How a reading stands to its band, before what it means for this setting. */
export interface Standing {
  verdict: InOut
  pIn: number | null
  target: number
  off: number
  /** what would settle a doubt, in words */
  finer: string
}

/** One setting of a carburetor: where it comes in the order, how it is read, what a reading of it means. */
export interface Setting {
  /** a later one must not undo an earlier one */
  order: number
  /** gauges that read it, the usual one first; empty where it is counted */
  gauges: readonly Gauge['kind'][]
  /** beside the figure that is typed: when it is set, and as it was found */
  unit: { set: string; found: string }
  judge: (
    setting: SettingSpec,
    value: number,
    context: SettingContext,
    standing: Standing,
  ) => Result<SettingJudgement>
}

/** A judgement with the band that it was made by: what a reading keeps of how it was judged. */
export interface Shown extends SettingJudgement {
  asWritten: string
  target: number | null
  lo: number | null
  hi: number | null
}
