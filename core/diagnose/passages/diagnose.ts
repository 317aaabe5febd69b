import { refuse, type Result } from '../../base/refusal/index.ts'
import { checkMap, LOOK_ERROR, seenPairs, type Blow, type BranchMap } from './model.ts'
import { reduced, type Link } from './reduce.ts'
import { sweep } from './sweep.ts'

/**
 * The chance of each branch to be blocked, after all tests: exact, however many are blocked at once. Branches are blocked
 * independently of one another, each with its prior; a look errs with `error` either way. Refuses `branches`, `ports`, `error`,
 * `tests`. Source: `docs/physics.md` 15.
 */
export function diagnose(
  map: BranchMap,
  tests: readonly Blow[],
  error = LOOK_ERROR,
): Result<Record<string, number>> {
  const bad = checkMap(map, tests, error)
  if (bad) return bad
  const posterior: Record<string, number> = {}
  const numbers = new Map<string, number>()
  const place = (name: string) => {
    if (!numbers.has(name)) numbers.set(name, numbers.size)
    return numbers.get(name)!
  }
  const links = map.branches.map(({ id, from, to, prior }): Link => ({
    a: place(from),
    b: place(to),
    p: prior,
    tell: (blocked) => void (posterior[id] = blocked),
  }))
  const pairs = seenPairs(tests, error).map((pair) => ({ ...pair, a: place(pair.a), b: place(pair.b) }))
  const watched = new Set(pairs.flatMap(({ a, b }) => [a, b]))
  const left = reduced(links, watched)
  const blocked = sweep(left, pairs)
  if (!blocked)
    return refuse(
      'tests',
      'These tests contradict each other: no set of blocked branches explains them. Blow them again.',
    )
  left.forEach((link, i) => link.tell(blocked[i]!))
  return posterior
}
