import type { PartMeasured } from '../../log/index.ts'
import type { Conditions } from '../../sheets/conditions/index.ts'
import { gaugeSigma, type Gauge } from '../../measure/index.ts'
import { refuse, type Result } from '../../base/refusal/index.ts'
import type { Deciding, Position, SpecSheet } from '../../sheets/index.ts'
import { bore } from './bore.ts'
import type { Finding, Judgement } from './kind.ts'
import { force } from './force.ts'
import { light } from './light.ts'
import { mass } from './mass.ts'
import { ohms } from './ohms.ts'
import { opens } from './opens.ts'
import { slipOf } from './plausible.ts'
import { play } from './play.ts'
import { proud } from './proud.ts'
import { wornStep } from './step.ts'
import { warp } from './warp.ts'

/** Every measurement that decides about a part. */
export const findings = {
  mass,
  bore,
  play,
  warp,
  step: wornStep,
  force,
  proud,
  light,
  opens,
  ohms,
} satisfies Record<Deciding['what'], object>

const findingOf = (what: Deciding['what']) => findings[what] as unknown as Finding<PartMeasured>

/** σ (mm) of a measurement by a gauge that nobody named; none is smaller than the least that counts. */
const UNNAMED_SIGMA = 0.05
const LEAST_SIGMA = 1e-4

/** What the deciding measurement of a part is typed as. A bore is two pins: `2.40 2.45`, or two drills: `#41 #40`. */
export function readMeasured(position: Position, raw: string, gauge: Gauge | null): Result<PartMeasured> {
  const what = position.deciding?.what
  if (!what) return refuse('text', 'This part is judged by eye.')
  return findingOf(what).read(raw, Math.max(gauge ? gaugeSigma(gauge) : UNNAMED_SIGMA, LEAST_SIGMA))
}

/** Why a measurement cannot be of this part, with the likeliest slip; undefined where it can. */
export const cannotBe = (measured: PartMeasured, deciding: Deciding, spec: SpecSheet): string | undefined =>
  measured.what === deciding.what
    ? slipOf(findingOf(measured.what).range(measured, deciding, spec))
    : undefined

/** The verdict on a measured part by rule, with its limit. Refuses `measured` of another kind than the part's deciding one. */
export function judgeMeasured(
  { code, kind }: Pick<Position, 'code' | 'kind'>,
  deciding: Deciding,
  measured: PartMeasured,
  spec: SpecSheet,
  conditions: Conditions,
): Result<Judgement> {
  return measured.what === deciding.what
    ? findingOf(deciding.what).judge(measured, { code, kind, deciding }, spec, conditions)
    : refuse('measured', `This part is decided by its ${deciding.what}.`)
}
