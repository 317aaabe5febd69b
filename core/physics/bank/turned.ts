import { isRefusal } from '../../base/refusal/index.ts'
import { bankAdvice, type BankTry } from './couplers.ts'

/** The body that all others are brought to: the one that somebody picked, else the second of more than two, in whose neighbours couplers meet. */
export const leaderOf = (bodies: number, picked: string): number =>
  Math.min(bodies - 1, Math.max(0, picked ? Number(picked) : bodies > 2 ? 1 : 0))

/**
 * What each coupler was turned since the last try, turns: what was advised after it, for nobody turns anything else; nothing where
 * there was no try, or somebody says that nothing was turned.
 */
export function turnedSince(
  tries: readonly BankTry[],
  lead: number | undefined,
  bodies: number,
  missing: readonly number[],
  undone: boolean,
): number[] {
  const turned = Array.from({ length: Math.max(0, bodies - 1) }, () => 0)
  const before = tries.length > 0 && lead !== undefined && !undone ? bankAdvice(tries, lead, missing) : null
  if (before && !isRefusal(before))
    for (const { coupler, sixteenths } of before.steps) turned[coupler] = sixteenths / 16
  return turned
}

/** Sixteenths of a turn as a hand says them: whole turns and the fraction that is left, out above 0. */
export function turnWords(sixteenths: number): string {
  const n = Math.abs(sixteenths)
  const whole = Math.floor(n / 16)
  const left = n % 16
  const by = [16, 8, 4, 2].find((one) => left % one === 0) ?? 1
  const part = left === 0 ? '' : `${left / by}/${16 / by}`
  return `${sixteenths > 0 ? 'out' : 'in'} ${[whole || '', part].filter(Boolean).join(' ')}`
}
