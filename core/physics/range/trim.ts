import { checkNumbers, type Result } from '../../base/refusal/index.ts'

/** How idle follows the screw's opening and its air bleed (`docs/physics.md` 21). */
const SCREW = 0.7
const AIR = 0.36

/**
 * Where the mixture screw takes an idle that is `ratio` times as rich as wanted, turns (`docs/physics.md` 27): a fuel screw in by its
 * opening, an air screw out by its bleed. It hardly moves an eighth of throttle.
 */
export function idleTrim(ratio: number, kind: 'fuel' | 'air', turns: number): Result<number> {
  const bad = checkNumbers({ ratio, turns }, { above: { ratio: 0, turns: 0 } })
  if (bad) return bad
  return turns * ratio ** (kind === 'fuel' ? -1 / SCREW : 1 / AIR)
}
