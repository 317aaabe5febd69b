import { diagnose, type Blow, type BranchMap } from '@ekrond/core/diagnose/passages'
import { seeded } from '../demo/list-numbers.ts'

/** A map like a unit's: a tree of drillings with some that join again, so many branches and eight ports. */
export function someMap(branches: number, seed = 7): BranchMap {
  const random = seeded(seed)
  const list = Array.from({ length: branches }, (_, i) => ({
    id: `b${i}`,
    from: `p${i < branches - 4 ? Math.floor(i / 2) : Math.floor(random.next() * branches)}`,
    to: `p${i < branches - 4 ? i + 1 : Math.floor(random.next() * branches)}`,
    prior: 0.02 + random.next() * 0.2,
  }))
  const places = [...new Set(list.flatMap(({ from, to }) => [from, to]))]
  return { branches: list, ports: places.filter((_, i) => i % Math.ceil(places.length / 8) === 0) }
}

/** So many sets of two blows each on a map. */
export function someBlows({ ports }: BranchMap, sets: number, seed = 3): Blow[][] {
  const random = seeded(seed)
  const blow = (): Blow => {
    const [from, open, shut] = [...ports].sort(() => random.next() - 0.5)
    return { in: from!, open: [open!], shut: [shut!] }
  }
  return Array.from({ length: sets }, () => [blow(), blow()])
}

/** The posterior by the definition: every set of blocked branches, its connections by union of the open ones. */
export function bySets(
  { branches }: BranchMap,
  tests: readonly Blow[],
  error = 0.01,
): Record<string, number> {
  const places = [...new Set(branches.flatMap(({ from, to }) => [from, to]))]
  const number = new Map(places.map((name, i) => [name, i]))
  const mass = branches.map(() => 0)
  let total = 0
  for (let set = 0; set < 1 << branches.length; set++) {
    const root = places.map((_, i) => i)
    const find = (at: number): number => (root[at] === at ? at : find(root[at]!))
    let weight = 1
    branches.forEach(({ from, to, prior }, i) => {
      const blocked = Boolean(set & (1 << i))
      weight *= blocked ? prior : 1 - prior
      if (!blocked) root[find(number.get(from)!)] = find(number.get(to)!)
    })
    const joined = (a: string, b: string) => find(number.get(a)!) === find(number.get(b)!)
    for (const test of tests) {
      for (const port of test.open) weight *= joined(test.in, port) ? 1 - error : error
      for (const port of test.shut) weight *= joined(test.in, port) ? error : 1 - error
    }
    total += weight
    branches.forEach((_, i) => set & (1 << i) && (mass[i]! += weight))
  }
  return Object.fromEntries(branches.map(({ id }, i) => [id, mass[i]! / total]))
}

/** Milliseconds for so many sets of blows on a map of 60 branches. */
export function thousandSets(sets = 1000): number {
  const map = someMap(60)
  const blows = someBlows(map, sets)
  const begun = performance.now()
  for (const tests of blows) diagnose(map, tests)
  return performance.now() - begun
}
