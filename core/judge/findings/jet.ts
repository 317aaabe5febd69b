import { figure, judgeBracket } from '../../measure/index.ts'
import { flowChange } from '../../physics/metering/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { Judgement } from './kind.ts'

/** Share of a jet's stamped bore by which it may differ and still counts as right. */
const JET_TOLERANCE = 0.02

/** From this share of ethanol on a fuel needs larger jets than the sheet’s: more flow alone says nothing against one. */
const NEEDS_MORE = 0.2

/**
 * A jet by go/no-go against its stamped bore (mm): narrower is varnish, wider is drilled, unless this fuel (its share of ethanol) needs
 * more flow than the sheet’s. A pin reads the narrowest place.
 */
export function judgeJet(go: number, no: number, newMm: number, ethanol = 0): Result<Judgement> {
  const lo = newMm * (1 - JET_TOLERANCE)
  const hi = newMm * (1 + JET_TOLERANCE)
  const verdict = judgeBracket(go, no, lo, hi)
  if (isRefusal(verdict)) return verdict
  const middle = (go + no) / 2
  const change = flowChange(middle, newMm) * 100
  const base = {
    pIn: verdict.pIn,
    limit: hi,
    unit: 'mm' as const,
    rule: `${figure(lo, 2)} to ${figure(hi, 2)} mm, 2 % of the stamped size`,
  }
  if (no <= lo + 1e-9)
    return {
      ...base,
      disposition: 'clean',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(-change, 0)} % less flow. Varnish: clean it soft and measure again.`,
    }
  if (go >= hi - 1e-9 && ethanol >= NEEDS_MORE)
    return {
      ...base,
      disposition: 'reuse',
      sure: false,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Fuel with ${figure(ethanol * 100, 0)} % ethanol needs more: keep it only if it was jetted for this fuel, and say so.`,
    }
  if (go >= hi - 1e-9)
    return {
      ...base,
      disposition: 'replace',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Drilled out.`,
    }
  if (verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: it is right.`,
    }
  return {
    ...base,
    disposition: 'reuse',
    sure: false,
    sentence: `Stamped ${figure(newMm, 2)} may lie between these pins. Try a pair closer together.`,
  }
}
