import { lookFirst, type Said } from '../complaint/index.ts'
import type { PassagePlan } from '../../unit/passages/index.ts'
import type { BranchMap } from './model.ts'

/** Chance of a wide passage to be blocked, mm of bore over it; narrow ones block more, none is beyond a third before it was blown. */
const BLOCKED_AT_ONE_MM = 0.1
const MOST_PRIOR = 1 / 3
/** How much a complaint that points wholly at its cause speaks for a passage. */
const COMPLAINT_SPEAKS = 5

/**
 * The map with the chance of each branch before any test: by its bore, times what the complaint says for its cause (1 + 5 × the
 * cause's share). `docs/physics.md` 15.
 */
export function mapOf(plan: PassagePlan, said: Said | null): BranchMap {
  const shares = new Map(said ? lookFirst(said).map(({ code, share }) => [code, share]) : [])
  return {
    ports: plan.ports.map(({ code }) => code),
    branches: plan.passages.map(({ id, from, to, bore, cause }) => ({
      id,
      from,
      to,
      prior: Math.min(
        MOST_PRIOR,
        (BLOCKED_AT_ONE_MM / bore) * (1 + COMPLAINT_SPEAKS * (shares.get(cause) ?? 0)),
      ),
    })),
  }
}

/** A branch below this is proven free, above the other is taken for blocked. */
const FREE_BELOW = 0.02
const BLOCKED_ABOVE = 0.5

/** What the blows say of a branch that is blocked with a chance of `p`; nothing, while none was made. */
export type BranchStanding = 'not blown' | 'free' | 'open question' | 'blocked'
export const branchStandingOf = (p: number, blows: number): BranchStanding =>
  blows === 0 ? 'not blown' : p > BLOCKED_ABOVE ? 'blocked' : p < FREE_BELOW ? 'free' : 'open question'

/** The largest tool that may go through a passage of this bore (mm) without touching its wall: nine tenths of it. */
export const largestTool = (bore: number): number => Math.floor(bore * 0.9 * 20) / 20
