import type { Branch } from '../../unit/passages/index.ts'
import { refuse, type Refusal } from '../../base/refusal/index.ts'

/** One blow: in at a port, and where air was seen and where not. What was not checked stands in neither. */
export interface Blow {
  in: string
  open: readonly string[]
  shut: readonly string[]
}

export interface BranchMap {
  branches: readonly Branch[]
  ports: readonly string[]
}

/** How often a look errs, either way (`docs/physics.md` 15). */
export const LOOK_ERROR = 0.01

/** Refuses `branches`, `ports`, `error` and `tests` that cannot be. */
export function checkMap(
  { branches, ports }: BranchMap,
  tests: readonly Blow[],
  error: number,
): Refusal | undefined {
  const ids = new Set(branches.map(({ id }) => id))
  if (ids.size !== branches.length) return refuse('branches', 'A branch stands twice.')
  if (branches.some(({ prior }) => !(prior >= 0 && prior <= 1)))
    return refuse('branches', 'A branch’s chance of being blocked lies between 0 and 1.')
  const known = new Set(ports)
  if (known.size !== ports.length) return refuse('ports', 'A port stands twice.')
  if (!(error >= 0 && error < 0.5))
    return refuse('error', 'A look errs in less than half of all cases, and not below never.')
  for (const test of tests) {
    const named = [test.in, ...test.open, ...test.shut]
    const stranger = named.find((port) => !known.has(port))
    if (stranger !== undefined) return refuse('tests', `${stranger} is no port.`)
    if (new Set(named).size !== named.length) return refuse('tests', 'A port stands twice in one test.')
  }
  return undefined
}

/** What was seen of each pair of ports: how likely that is where they hang together, and where not. */
export interface PairSeen {
  a: string
  b: string
  joined: number
  apart: number
}

/** All looks, by pairs: looks are independent, so each pair's likelihoods multiply. */
export function seenPairs(tests: readonly Blow[], error: number): PairSeen[] {
  const pairs = new Map<string, PairSeen>()
  const look = (from: string, port: string, open: boolean) => {
    const [a, b] = from < port ? [from, port] : [port, from]
    const pair = pairs.get(`${a}\u0000${b}`) ?? { a, b, joined: 1, apart: 1 }
    pair.joined *= open ? 1 - error : error
    pair.apart *= open ? error : 1 - error
    pairs.set(`${a}\u0000${b}`, pair)
  }
  for (const test of tests) {
    for (const port of test.open) look(test.in, port, true)
    for (const port of test.shut) look(test.in, port, false)
  }
  return [...pairs.values()]
}

/** The same by the numbers of its places. */
export type NumberedPair = Omit<PairSeen, 'a' | 'b'> & { a: number; b: number }
