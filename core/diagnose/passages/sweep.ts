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
  for (const { a, b, apart } of pairs) if (last[a]! < 0 || last[b]! < 0) constant *= apart
  if (constant === 0) return undefined

  // A state: which group each place hangs in, 1 and up, 0 where nothing more is asked of it. Places are those of the frontier and the
  // watched ones behind it.
  const group = new Uint8Array(places)
  const joins = pairs.filter(({ a, b }) => last[a]! >= 0 && last[b]! >= 0)
  const watched = new Set(joins.flatMap(({ a, b }) => [a, b]))
  let kept: number[] = []
  let states: number[][] = [[]]
  const layers: Step[][] = []
  const weights: Float64Array[] = [Float64Array.of(constant)]

  order.forEach((link, i) => {
    const isOn = (place: number) => last[place]! > i && first[place]! <= i
    const before = kept
    const fresh = [link.a, link.b].filter((place) => first[place] === i)
    const here = [...before, ...fresh]
    const on = here.filter(isOn)
    const behind = here.filter((place) => !isOn(place))
    const after = here.filter((place) => isOn(place) || watched.has(place))
    const near = joins.filter(({ a, b }) => here.includes(a) || here.includes(b))
    const leaves = behind.some((place) => last[place] === i)
    const ids = new Map<number | string, number>()
    const reached: number[][] = []
    // No group's number is larger than how many places there are; up to 13 places are told exactly by one figure.
    const base = after.length + 1
    const isLong = after.length > 13
    const names = new Uint8Array(here.length + 2)
    const isOpen = new Uint8Array(here.length + 2)
    const read = (state: readonly number[]) => {
      let most = 0
      for (let n = 0; n < before.length; n++) {
        const one = state[n]!
        group[before[n]!] = one
        if (one > most) most = one
      }
      for (const place of fresh) group[place] = ++most
    }
    /** The state as `group` has it now, by its number: groups are numbered as they are met. */
    const numbered = (): number => {
      names.fill(0)
      let count = 0
      let key: number | string = isLong ? '' : 0
      for (const place of after) {
        const one = group[place]!
        if (one !== 0) names[one] ||= ++count
        const name = one === 0 ? 0 : names[one]!
        key = typeof key === 'string' ? `${key},${name}` : key * base + name
      }
      let id = ids.get(key)
      if (id === undefined) {
        id = reached.length
        ids.set(key, id)
        reached.push(after.map((place) => (group[place] === 0 ? 0 : names[group[place]!]!)))
      }
      return id
    }
    const isShut = (place: number) => group[place] !== 0 && isOpen[group[place]!] === 0
    const lives = (place: number) => group[place] !== 0 || first[place]! > i
    /** Whether something is still to be learned of a watched place: a mate of it that hangs elsewhere, or comes later. */
    const isAsked = (place: number): boolean => {
      for (const { a, b } of near)
        if ((a === place ? lives(b) : b === place && lives(a)) && group[a] !== group[b]) return true
      return false
    }
    /** Closes what left the frontier, answers what can be answered, and drops what nothing more is asked of. */
    const settled = (by: number): [number, number] => {
      if (by === 0) return [-1, 0]
      if (!leaves) return [numbered(), by]
      let weight = by
      isOpen.fill(0)
      for (const place of on) isOpen[group[place]!] = 1
      for (const { a, b, apart } of near)
        if (group[a] !== group[b] && (isShut(a) || isShut(b)) && lives(a) && lives(b)) weight *= apart
      if (weight === 0) return [-1, 0]
      for (const place of behind) if (isShut(place)) group[place] = 0
      for (const place of behind) if (group[place] !== 0 && !isAsked(place)) group[place] = 0
      return [numbered(), weight]
    }
    const layer = states.map((state): Step => {
      read(state)
      const [blocked, blockedBy] = settled(link.p)
      read(state)
      const [one, two] = [group[link.a]!, group[link.b]!]
      let joined = 1 - link.p
      if (one !== two) {
        for (const pair of near) {
          const [x, y] = [group[pair.a], group[pair.b]]
          if ((x === one && y === two) || (x === two && y === one)) joined *= pair.joined
        }
        for (const place of here) if (group[place] === two) group[place] = one
      }
      const [open, openBy] = settled(joined)
      return { blocked, blockedBy, open, openBy }
    })
    for (const place of here) group[place] = 0
    const weight = new Float64Array(reached.length)
    layer.forEach((step, s) => {
      const from = weights[i]![s]!
      if (step.blocked >= 0) weight[step.blocked]! += from * step.blockedBy
      if (step.open >= 0) weight[step.open]! += from * step.openBy
    })
    layers.push(layer)
    weights.push(weight)
    // What no state asks after any more is not carried on.
    const used = after.map((_, n) => reached.some((state) => state[n] !== 0))
    states = used.every(Boolean) ? reached : reached.map((state) => state.filter((_, n) => used[n]))
    kept = after.filter((_, n) => used[n])
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
