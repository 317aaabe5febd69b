import { figure, judgeBracket } from '../../measure/index.ts'
import { flowChange } from '../../physics/metering/index.ts'
import { convertFuel, POWER } from '../../physics/range/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { Judgement } from './kind.ts'

/** Share of a jet's stamped bore by which it may differ and still counts as right. */
const JET_TOLERANCE = 0.02

/** From this share of ethanol on a fuel needs larger jets than the sheet’s: more flow alone says nothing against one. */
const NEEDS_MORE = 0.2

/** So near to the size that a fuel wants, a jet is that size: half of it is what a size more would do. */
const NEAR = 0.03
/** By what power the mixture follows a jet's bore (`docs/physics.md` 21). */
const MIXTURE = 2 * POWER.main

/** The bore that a fuel with so much ethanol wants where the sheet's, for gasoline, has another, mm; null where the sheet's serves. */
function wantedFor(newMm: number, ethanol: number): number | null {
  if (ethanol < NEEDS_MORE) return null
  const plan = convertFuel({ ethanol, main: newMm })
  return isRefusal(plan) ? null : plan.mainBore!
}

/**
 * A jet by go/no-go against its stamped bore (mm): narrower is varnish, wider is drilled, unless this fuel (its share of ethanol) needs
 * more flow than the sheet’s: then the size that it wants is the measure, and the sheet's own runs too lean. A pin reads the narrowest
 * place.
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
  const wanted = wantedFor(newMm, ethanol)
  const fuel = `${figure(ethanol * 100, 0)} % ethanol`
  if (wanted !== null && Math.abs(middle / wanted - 1) <= NEAR)
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Fuel with ${fuel} needs more: about ${figure(wanted, 2)}, and this is it.`,
    }
  if (wanted !== null && go >= hi - 1e-9)
    return {
      ...base,
      disposition: 'reuse',
      sure: false,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Fuel with ${fuel} needs more, about ${figure(wanted, 2)}: keep it only if it was jetted for this fuel, and say so.`,
    }
  if (wanted !== null && verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: false,
      sentence: `Stamped ${figure(newMm, 2)}: the sheet’s size. Fuel with ${fuel} needs about ${figure(wanted, 2)}: on this jet it runs ${figure((1 - (middle / wanted) ** MIXTURE) * 100, 0)} % lean.`,
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
