import type { Result } from '../../base/refusal/index.ts'
import { checkMap, LOOK_ERROR, seenPairs, type Blow, type BranchMap } from './model.ts'

/** Above so many branches the sets are too many to be weighed one by one. */
const MOST_BRANCHES = 14
const LEAST_GAIN = 1e-9

export interface NextBlow {
  in: string
  watch: string[]
  /** bits by which its outcome is expected to settle which branches are blocked */
  gain: number
}

/**
 * The blow that tells most about which branches are blocked: of all with one port in and one or two others watched, the one with the
 * largest mutual information given all tests so far. null where none tells anything, or the map is too large. Refuses as `diagnose`.
 */
export function nextBlow(
  map: BranchMap,
  tests: readonly Blow[],
  error = LOOK_ERROR,
  most: 1 | 2 = 2,
): Result<NextBlow | null> {
  const bad = checkMap(map, tests, error)
  if (bad) return bad
  if (map.branches.length > MOST_BRANCHES) return null
  const worlds = partitions(map, tests, error)
  const total = worlds.reduce((sum, { weight }) => sum + weight, 0)
  if (!(total > 0)) return null
  const ports = [...map.ports].sort((a, b) => (a < b ? -1 : 1))
  const numbered = ports.map((port) => map.ports.indexOf(port))
  const noise = -xlog2(error) - xlog2(1 - error)
  let best: NextBlow | null = null
  const consider = (from: number, watch: readonly number[]) => {
    // The outcome's entropy less that of the looks' own errors.
    const outcomes = new Float64Array(1 << watch.length)
    for (const { group, weight } of worlds) {
      const open = watch.map((port) => group[port] === group[from] && group[port]! >= 0)
      for (let o = 0; o < outcomes.length; o++) {
        let p = weight / total
        for (const [n, is] of open.entries()) p *= Boolean(o & (1 << n)) === is ? 1 - error : error
        outcomes[o]! += p
      }
    }
    const gain = -outcomes.reduce((sum, p) => sum + xlog2(p), 0) - watch.length * noise
    if (gain < LEAST_GAIN || (best && gain <= best.gain + 1e-9)) return
    best = { in: map.ports[from]!, watch: watch.map((port) => map.ports[port]!), gain }
  }
  // In the order in which ties are told: fewer watched, then the port in, then those watched.
  for (const count of [1, 2].filter((n) => n <= most))
    for (const from of numbered)
      for (const [i, one] of numbered.entries()) {
        if (one === from) continue
        if (count === 1) consider(from, [one])
        else for (const two of numbered.slice(i + 1)) if (two !== from) consider(from, [one, two])
      }
  return best
}

const xlog2 = (p: number): number => (p > 0 ? p * Math.log2(p) : 0)

interface World {
  /** by port, the group that it hangs in */
  group: number[]
  weight: number
}

/** All sets of blocked branches, those alike in how the ports hang together taken as one. */
function partitions({ branches, ports }: BranchMap, tests: readonly Blow[], error: number): World[] {
  const places = [...new Set([...ports, ...branches.flatMap(({ from, to }) => [from, to])])]
  const number = new Map(places.map((name, i) => [name, i]))
  const ends = branches.map(({ from, to }) => [number.get(from)!, number.get(to)!] as const)
  const pairs = seenPairs(tests, error).map((pair) => ({
    ...pair,
    a: number.get(pair.a)!,
    b: number.get(pair.b)!,
  }))
  const worlds = new Map<string, World>()
  const root = new Int32Array(places.length)
  const find = (place: number): number => {
    let at = place
    while (root[at] !== at) at = root[at]!
    return at
  }
  for (let set = 0; set < 1 << branches.length; set++) {
    let weight = 1
    for (let i = 0; i < places.length; i++) root[i] = i
    for (const [i, branch] of branches.entries()) {
      const blocked = Boolean(set & (1 << i))
      weight *= blocked ? branch.prior : 1 - branch.prior
      if (blocked) continue
      const [a, b] = [find(ends[i]![0]), find(ends[i]![1])]
      if (a !== b) root[a] = b
    }
    if (weight === 0) continue
    for (const { a, b, joined, apart } of pairs) weight *= find(a) === find(b) ? joined : apart
    const group = ports.map((_, i) => find(i))
    const names = new Map<number, number>()
    const canonical = group.map((one) => names.get(one) ?? (names.set(one, names.size), names.size - 1))
    const key = canonical.join()
    const world = worlds.get(key)
    if (world) world.weight += weight
    else worlds.set(key, { group: canonical, weight })
  }
  return [...worlds.values()]
}
