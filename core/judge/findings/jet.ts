import { figure, judgeBracket } from '../../measure/index.ts'
import { flowChange } from '../../physics/metering/index.ts'
import { ANOTHER_FUEL, convertFuel, POWER } from '../../physics/range/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { Judgement } from './kind.ts'

/** Share of a jet's stamped bore by which it may differ and still counts as right. */
const JET_TOLERANCE = 0.02

/** So near to the size that a fuel wants, a jet is that size: half of it is what a size more would do. */
const NEAR = 0.03
/** By what power the mixture follows a jet's bore (`docs/physics.md` 21). */
const MIXTURE = 2 * POWER.main

/** The bore that a fuel with so much ethanol wants where the sheet's, for gasoline, has another, mm; null where the sheet's serves. */
function wantedFor(newMm: number, ethanol: number): number | null {
  if (ethanol < ANOTHER_FUEL) return null
  const plan = convertFuel({ ethanol, main: newMm })
  return isRefusal(plan) ? null : plan.mainBore!
}

/**
 * A jet against the size that its job chose (mm) in place of its sheet's: for which fuel and place was asked when it was chosen. What is
 * in it may be the sheet's still, or another one.
 */
function judgeChosen(go: number, no: number, chosen: number, instead: number): Result<Judgement> {
  // Sizes that lie close are told apart: it has to be nearer to the one that was chosen than to the sheet's.
  const give = Math.min(JET_TOLERANCE * chosen, Math.abs(chosen - instead) / 2)
  const [lo, hi] = [chosen - give, chosen + give]
  const verdict = judgeBracket(go, no, lo, hi)
  if (isRefusal(verdict)) return verdict
  const base = {
    pIn: verdict.pIn,
    limit: hi,
    unit: 'mm' as const,
    rule: `${figure(lo, 3)} to ${figure(hi, 3)} mm, about the size chosen for this job`,
  }
  const middle = (go + no) / 2
  const change = flowChange(middle, chosen) * 100
  const wanted = `This job wants ${figure(chosen, 2)}, not the sheet’s ${figure(instead, 2)}`
  if (verdict.verdict === 'in')
    return { ...base, disposition: 'reuse', sure: true, sentence: `${wanted}: it is right.` }
  const outside = no <= lo + 1e-9 || go >= hi - 1e-9
  if (!outside)
    return {
      ...base,
      disposition: 'reuse',
      sure: false,
      sentence: `${wanted}: it may lie between these pins. Try a pair closer together.`,
    }
  const is = Math.abs(middle / instead - 1) <= JET_TOLERANCE ? 'this is the sheet’s' : 'this is another'
  return {
    ...base,
    disposition: 'replace',
    sure: true,
    sentence: `${wanted}: ${is}, ${figure(Math.abs(change), 0)} % ${change > 0 ? 'more' : 'less'} flow. Fit the chosen one.`,
  }
}

/**
 * A jet by go/no-go against its sheet's bore (mm): narrower is varnish, wider is drilled, unless this fuel (its share of ethanol) needs
 * more flow than the sheet’s: then the size that it wants is the measure, and the sheet's own runs too lean. A pin reads the narrowest
 * place.
 */
export function judgeJet(
  go: number,
  no: number,
  newMm: number,
  ethanol = 0,
  instead?: number,
): Result<Judgement> {
  if (instead !== undefined) return judgeChosen(go, no, newMm, instead)
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
    rule: `${figure(lo, 2)} to ${figure(hi, 2)} mm, 2 % of the sheet’s size`,
  }
  if (no <= lo + 1e-9)
    return {
      ...base,
      disposition: 'clean',
      sure: true,
      sentence: `By the sheet ${figure(newMm, 2)}: ${figure(-change, 0)} % less flow. Varnish: clean it soft and measure again.`,
    }
  const wanted = wantedFor(newMm, ethanol)
  const fuel = `${figure(ethanol * 100, 0)} % ethanol`
  if (wanted !== null && Math.abs(middle / wanted - 1) <= NEAR)
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `By the sheet ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Fuel with ${fuel} needs more: about ${figure(wanted, 2)}, and this is it.`,
    }
  if (wanted !== null && go >= hi - 1e-9)
    return {
      ...base,
      disposition: 'reuse',
      sure: false,
      sentence: `By the sheet ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Fuel with ${fuel} needs more, about ${figure(wanted, 2)}: keep it only if it was jetted for this fuel, and say so.`,
    }
  if (wanted !== null && verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: false,
      sentence: `By the sheet ${figure(newMm, 2)}: the sheet’s size. Fuel with ${fuel} needs about ${figure(wanted, 2)}: on this jet it runs ${figure((1 - (middle / wanted) ** MIXTURE) * 100, 0)} % lean.`,
    }
  if (go >= hi - 1e-9)
    return {
      ...base,
      disposition: 'replace',
      sure: true,
      sentence: `By the sheet ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Drilled out.`,
    }
  if (verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `By the sheet ${figure(newMm, 2)}: it is right.`,
    }
  return {
    ...base,
    disposition: 'reuse',
    sure: false,
    sentence: `By the sheet ${figure(newMm, 2)} may lie between these pins. Try a pair closer together.`,
  }
}
