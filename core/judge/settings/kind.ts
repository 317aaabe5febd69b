import type { SettingJudgement } from '../../log/index.ts'
import type { BendTry } from '../../physics/float/index.ts'
import type { Conditions } from '../../sheets/conditions/index.ts'
import type { Gauge, InOut } from '../../measure/index.ts'
import type { Result } from '../../base/refusal/index.ts'
import type { SettingSpec, SpecSheet } from '../../sheets/index.ts'

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

/** How a reading stands to its band, before what it means for this setting. */
export interface BandStanding {
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
    standing: BandStanding,
  ) => Result<SettingJudgement>
}
