import type { NumberedPair } from './model.ts'
import type { Link } from './reduce.ts'

/** Where one state of the sweep goes when a link is blocked and when it is open: the state after it, and what was seen on the way. */
interface Step {
  blocked: number
  blockedBy: number
  open: number
  openBy: number
}

/**
 * P(blocked) of each link, given what was seen of the pairs. The links are gone over one by one; what is kept of those behind is only
 * which places of the frontier hang together, and which watched places hang on them. Undefined where nothing explains what was seen.
 */
export function sweep(links: readonly Link[], pairs: readonly NumberedPair[]): number[] | undefined {
  const order = inOrder(links)
  const places =
    1 + Math.max(0, ...links.flatMap(({ a, b }) => [a, b]), ...pairs.flatMap(({ a, b }) => [a, b]))
  const first = new Int32Array(places).fill(order.length)
  const last = new Int32Array(places).fill(-1)
  order.forEach(({ a, b }, i) => {
    for (const place of [a, b]) {
      first[place] = Math.min(first[place]!, i)
      last[place] = i
    }
  })
  // A watched place that no link reaches hangs on none.
  let constant = 1
  const mates: { other: number; pair: NumberedPair }[][] = Array.from({ length: places }, () => [])
  for (const pair of pairs) {
    if (last[pair.a]! < 0 || last[pair.b]! < 0) {
      constant *= pair.apart
      continue
    }
    mates[pair.a]!.push({ other: pair.b, pair })
    mates[pair.b]!.push({ other: pair.a, pair })
  }
  if (constant === 0) return undefined

  // A state: the groups that reach the frontier, each with its places: those of the frontier and watched ones with an open question.
  type State = number[][]
  // One letter a place: written out as figures the keys took a third of the time.
  const letters = Array.from({ length: places }, (_, i) => String.fromCharCode(i + 1))
  const keyOf = (state: State) => {
    let key = ''
    for (const group of state) {
      for (const place of group) key += letters[place]!
      key += '\u0000'
    }
    return key
  }
  let states: State[] = [[]]
  const layers: Step[][] = []
  const weights: Float64Array[] = [Float64Array.of(constant)]

  order.forEach((link, i) => {
    const ids = new Map<string, number>()
    const after: State[] = []
    const isOn = (place: number) => last[place]! > i && first[place]! <= i
    const [aEnds, bEnds] = [last[link.a] === i, last[link.b] === i]
    const numbered = (state: State): number => {
      const key = keyOf(state)
      let id = ids.get(key)
      if (id === undefined) {
        id = after.length
        ids.set(key, id)
        after.push(state)
      }
      return id
    }
    /** Whether something is still to be learned of a watched place: a mate of it that hangs elsewhere, or comes later. */
    const isAsked = (place: number, group: readonly number[], state: State): boolean => {
      for (const { other } of mates[place]!)
        if (!group.includes(other) && (first[other]! > i || isIn(state, other))) return true
      return false
    }
    const byFirst = (a: number[], b: number[]) => a[0]! - b[0]!
    /** Closes what left the frontier, answers what can be answered, and drops what nothing more is asked of. */
    const settled = (groups: State, by: number): [number, number] => {
      if (by === 0) return [-1, 0]
      // Nobody leaves the frontier: only a group that was joined can have changed, and it is sorted already.
      if (!aEnds && !bEnds) return [numbered(groups.sort(byFirst)), by]
      let state = groups
      let weight = by
      for (;;) {
        const shut = state.findIndex((group) => !group.some(isOn))
        if (shut < 0) break
        const group = state[shut]!
        state = state.filter((_, n) => n !== shut)
        for (const one of group)
          for (const { other, pair } of mates[one]!)
            if (!group.includes(other) && (first[other]! > i || isIn(state, other))) weight *= pair.apart
      }
      if (weight === 0) return [-1, 0]
      const kept = state.map((group) => group.filter((place) => isOn(place) || isAsked(place, group, state)))
      return [numbered(kept.sort(byFirst)), weight]
    }
    const layer = states.map((state): Step => {
      const groups = [...state]
      for (const place of [link.a, link.b])
        if (first[place] === i && !isIn(groups, place)) groups.push([place])
      const [blocked, blockedBy] = settled([...groups], link.p)
      const one = groupOf(groups, link.a)
      const two = groupOf(groups, link.b)
      if (one === two) {
        const [open, openBy] = settled([...groups], 1 - link.p)
        return { blocked, blockedBy, open, openBy }
      }
      let joined = 1 - link.p
      for (const place of groups[one]!)
        for (const { other, pair } of mates[place]!) if (groups[two]!.includes(other)) joined *= pair.joined
      const merged = groups.filter((_, n) => n !== one && n !== two)
      merged.push([...groups[one]!, ...groups[two]!].sort((x, y) => x - y))
      const [open, openBy] = settled(merged, joined)
      return { blocked, blockedBy, open, openBy }
    })
    const weight = new Float64Array(after.length)
    layer.forEach((step, s) => {
      const from = weights[i]![s]!
      if (step.blocked >= 0) weight[step.blocked]! += from * step.blockedBy
      if (step.open >= 0) weight[step.open]! += from * step.openBy
    })
    layers.push(layer)
    weights.push(weight)
    states = after
  })

  const total = weights.at(-1)!.reduce((sum, one) => sum + one, 0)
  if (!(total > 0)) return undefined
  const result: number[] = Array<number>(links.length).fill(0)
  let ahead = new Float64Array(states.length).fill(1)
  for (let i = order.length - 1; i >= 0; i--) {
    const before = new Float64Array(layers[i]!.length)
    let blockedMass = 0
    layers[i]!.forEach((step, s) => {
      const whenBlocked = step.blocked >= 0 ? step.blockedBy * ahead[step.blocked]! : 0
      const whenOpen = step.open >= 0 ? step.openBy * ahead[step.open]! : 0
      before[s] = whenBlocked + whenOpen
      blockedMass += weights[i]![s]! * whenBlocked
    })
    result[links.indexOf(order[i]!)] = blockedMass / total
    ahead = before
  }
  return result
}

const groupOf = (state: readonly (readonly number[])[], place: number): number => {
  for (let n = 0; n < state.length; n++) if (state[n]!.includes(place)) return n
  return -1
}

const isIn = (state: readonly (readonly number[])[], place: number): boolean => {
  for (const group of state) if (group.includes(place)) return true
  return false
}

/** An order in which few places are open at once: always the link that opens the fewest new ones, then the one that closes most. */
function inOrder(links: readonly Link[]): Link[] {
  const left = new Set(links)
  const degree = new Map<number, number>()
  for (const link of links)
    for (const place of [link.a, link.b]) degree.set(place, (degree.get(place) ?? 0) + 1)
  const on = new Set<number>()
  const order: Link[] = []
  while (left.size > 0) {
    let best: Link | undefined
    let least = Infinity
    for (const link of left) {
      const opens = (on.has(link.a) ? 0 : 1) + (on.has(link.b) ? 0 : 1)
      const closes = (degree.get(link.a) === 1 ? 1 : 0) + (degree.get(link.b) === 1 ? 1 : 0)
      const cost = opens * 2 - closes
      if (cost < least) [best, least] = [link, cost]
    }
    left.delete(best!)
    order.push(best!)
    for (const place of [best!.a, best!.b]) {
      on.add(place)
      degree.set(place, degree.get(place)! - 1)
    }
  }
  return order
}
