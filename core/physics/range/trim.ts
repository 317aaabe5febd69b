import { checkNumbers, type Result } from '../../base/refusal/index.ts'
import { POWER } from './tables.ts'

/**
 * Where the mixture screw takes an idle that is `ratio` times as rich as wanted, turns (`docs/physics.md` 27): a fuel screw in by its
 * opening, an air screw out by its bleed. It hardly moves an eighth of throttle.
 */
export function idleTrim(ratio: number, kind: 'fuel' | 'air', turns: number): Result<number> {
  const bad = checkNumbers({ ratio, turns }, { above: { ratio: 0, turns: 0 } })
  if (bad) return bad
  return turns * ratio ** (kind === 'fuel' ? -1 / POWER.screw : -1 / POWER.idleBleed)
}
