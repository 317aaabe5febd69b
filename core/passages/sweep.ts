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
  const first = new Map<number, number>()
  const last = new Map<number, number>()
  order.forEach((link, i) => {
    for (const place of [link.a, link.b]) {
      if (!first.has(place)) first.set(place, i)
      last.set(place, i)
    }
  })
  // A watched place that no link reaches hangs on none.
  let constant = 1
  const mates = new Map<number, { other: number; pair: NumberedPair }[]>()
  for (const pair of pairs) {
    if (!first.has(pair.a) || !first.has(pair.b)) {
      constant *= pair.apart
      continue
    }
    for (const [one, other] of [
      [pair.a, pair.b],
      [pair.b, pair.a],
    ] as const)
      mates.set(one, [...(mates.get(one) ?? []), { other, pair }])
  }
  if (constant === 0) return undefined

  // A state: the groups that reach the frontier, each with its places: those of the frontier and watched ones with an open question.
  type State = number[][]
  const keyOf = (state: State) => state.map((group) => group.join(',')).join('|')
  let states: State[] = [[]]
  const layers: Step[][] = []
  const weights: Float64Array[] = [Float64Array.of(constant)]

  order.forEach((link, i) => {
    const ids = new Map<string, number>()
    const after: State[] = []
    const isOn = (place: number) => (last.get(place) ?? -1) > i && (first.get(place) ?? Infinity) <= i
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
    /** Closes what left the frontier, answers what can be answered, and drops what nothing more is asked of. */
    const settled = (groups: State, by: number): [number, number] => {
      let state = groups
      let weight = by
      for (;;) {
        const shut = state.findIndex((group) => !group.some(isOn))
        if (shut < 0) break
        const group = state[shut]!
        state = state.filter((_, n) => n !== shut)
        for (const one of group)
          for (const { other, pair } of mates.get(one) ?? [])
            if (!group.includes(other) && (first.get(other)! > i || state.some((g) => g.includes(other))))
              weight *= pair.apart
      }
      const kept = state.map((group) =>
        group.filter(
          (place) =>
            isOn(place) ||
            (mates.get(place) ?? []).some(
              ({ other }) =>
                !group.includes(other) && (first.get(other)! > i || state.some((g) => g.includes(other))),
            ),
        ),
      )
      kept.forEach((group) => group.sort((a, b) => a - b))
      kept.sort((a, b) => a[0]! - b[0]!)
      return [weight === 0 ? -1 : numbered(kept), weight]
    }
    const layer = states.map((state): Step => {
      const groups = [...state]
      for (const place of [link.a, link.b])
        if (first.get(place) === i && !groups.some((group) => group.includes(place))) groups.push([place])
      const [blocked, blockedBy] = settled(groups, link.p)
      const one = groups.findIndex((group) => group.includes(link.a))
      const two = groups.findIndex((group) => group.includes(link.b))
      if (one === two) {
        const [open, openBy] = settled(groups, 1 - link.p)
        return { blocked, blockedBy, open, openBy }
      }
      let joined = 1 - link.p
      for (const place of groups[one]!)
        for (const { other, pair } of mates.get(place) ?? [])
          if (groups[two]!.includes(other)) joined *= pair.joined
      const merged = groups.filter((_, n) => n !== one && n !== two)
      merged.push([...groups[one]!, ...groups[two]!])
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
      const opens = [link.a, link.b].filter((place) => !on.has(place)).length
      const closes = [link.a, link.b].filter((place) => degree.get(place) === 1).length
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
