/** One or several branches that act as one: blocked with a chance of `p`, each of its branches by what it says of them. */
export interface Link {
  a: number
  b: number
  p: number
  /** hands the posterior of the whole down to its branches */
  tell: (blocked: number) => void
}

/**
 * Takes out what no look can tell apart, exactly: dead ends without a watched port keep their priors; two in a row become one that is
 * open only if both are; two beside one another become one that is blocked only if both are.
 */
export function reduced(links: readonly Link[], watched: ReadonlySet<number>): Link[] {
  // By place, what leads on from it: one link to each neighbour.
  const at = new Map<number, Map<number, Link>>()
  const remove = (link: Link) => {
    at.get(link.a)!.delete(link.b)
    at.get(link.b)!.delete(link.a)
  }
  const add = (link: Link): void => {
    // A ring back to its own place tells nothing.
    if (link.a === link.b) return link.tell(link.p)
    for (const place of [link.a, link.b]) if (!at.has(place)) at.set(place, new Map())
    const other = at.get(link.a)!.get(link.b)
    if (other) remove(other)
    const one = other ? besides(other, link) : link
    at.get(one.a)!.set(one.b, one)
    at.get(one.b)!.set(one.a, one)
  }
  links.forEach(add)
  const waiting = [...at.keys()]
  while (waiting.length > 0) {
    const place = waiting.pop()!
    const here = at.get(place)!
    if (watched.has(place) || here.size === 0 || here.size > 2) continue
    const [one, two] = [...here.values()] as [Link, Link | undefined]
    waiting.push(...here.keys())
    remove(one)
    if (two) {
      remove(two)
      add(inRow(one, two, place))
    } else one.tell(one.p)
  }
  return [...new Set([...at.values()].flatMap((to) => [...to.values()]))]
}

function inRow(one: Link, two: Link, middle: number): Link {
  const p = 1 - (1 - one.p) * (1 - two.p)
  return {
    a: one.a === middle ? one.b : one.a,
    b: two.a === middle ? two.b : two.a,
    p,
    tell(blocked) {
      one.tell(p === 0 ? 0 : (blocked * one.p) / p)
      two.tell(p === 0 ? 0 : (blocked * two.p) / p)
    },
  }
}

function besides(one: Link, two: Link): Link {
  const p = one.p * two.p
  return {
    a: one.a,
    b: one.b,
    p,
    tell(blocked) {
      const open = 1 - blocked
      const share = (mine: number, its: number) =>
        blocked + (p === 1 ? 0 : (open * mine * (1 - its)) / (1 - p))
      one.tell(share(one.p, two.p))
      two.tell(share(two.p, one.p))
    },
  }
}
