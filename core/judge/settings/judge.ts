import { canSettle, figure, finerGauge, gaugeSigma, judge, judgeBracket } from '../../measure/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { SettingSpec } from '../../sheets/index.ts'
import type { SettingContext, BandStanding } from './kind.ts'
import type { Bracket, Remedy, SettingJudgement } from '../../log/index.ts'

/** σ (mm) of a reading by a gauge that nobody named. */
const UNNAMED_GAUGE_SIGMA = 0.05

/**
 * How a reading (stored units) stands to its setting's band: counted ones by the count, measured ones by P(in) with the gauge's σ
 * (`docs/physics.md` 1). Refuses `target` where the sheet gives neither target nor limit.
 */
export function stand(
  setting: SettingSpec,
  value: number,
  context: SettingContext,
  bracket: Bracket | null,
): Result<BandStanding> {
  const target = aim(setting)
  if (target === null)
    return refuse('target', 'The sheet gives no value for this. Take it as found, or ask for a sheet.')
  const off = value - target
  if (setting.quantity === 'turns' || setting.quantity === 'notches' || setting.quantity === 'count') {
    const lo = setting.lo ?? target
    const hi = setting.hi ?? target
    return { verdict: value >= lo && value <= hi ? 'in' : 'out', pIn: null, target, off, finer: '' }
  }
  const sigma = context.gauge ? gaugeSigma(context.gauge) : UNNAMED_GAUGE_SIGMA
  const judged = bracket
    ? judgeBracket(bracket.go, bracket.no, setting.lo, setting.hi)
    : judge(value, sigma, setting.lo, setting.hi)
  if (isRefusal(judged)) return judged
  const better =
    context.gauge && !canSettle(sigma, setting.lo, setting.hi)
      ? finerGauge(context.gauge, context.drawer, setting.lo, setting.hi)
      : undefined
  const finer =
    judged.verdict !== 'doubtful'
      ? ''
      : better
        ? `The ${context.gauge!.name} cannot settle it: take the ${better.name}.`
        : 'Measure it again.'
  return { ...judged, target, off, finer }
}

/** The value to set to: the sheet's target, else the middle of the band, else a little inside its one limit. */
export function aim(setting: Pick<SettingSpec, 'target' | 'lo' | 'hi'>): number | null {
  if (setting.target !== null) return setting.target
  if (setting.lo !== null && setting.hi !== null) return (setting.lo + setting.hi) / 2
  if (setting.hi !== null) return setting.hi * 0.97
  return setting.lo === null ? null : setting.lo * 1.03
}

/** A judgement from how the reading stands and what each verdict says of this setting; a remedy only where it is out. */
export function compose(
  standing: BandStanding,
  setting: SettingSpec,
  say: {
    inWords: string
    outHeadline?: string
    meaning: string
    remedy: Remedy | null
    facts: string[]
    assumes?: string[]
  },
): SettingJudgement {
  const { verdict, pIn, off, finer } = standing
  const out = verdict === 'out'
  return {
    verdict,
    pIn,
    headline:
      verdict === 'in'
        ? 'Within limits.'
        : out
          ? (say.outHeadline ?? shortOrOver(off, setting))
          : 'Too close to call.',
    meaning: verdict === 'in' ? say.inWords : out ? say.meaning : `It may be outside its limits. ${finer}`,
    remedy: out ? say.remedy : null,
    facts: say.facts,
    assumes: say.assumes ?? [],
  }
}

const shortOrOver = (off: number, setting: SettingSpec) =>
  `${figure(Math.abs(off), setting.quantity === 'gap' ? 2 : Math.abs(off) < 0.1 ? 2 : 1)} mm ${off < 0 ? 'under' : 'over'}.`
