import type { Passage, PassagePlan } from '../../unit/passages/index.ts'

/** Passages that hang together: blown in at one port, air comes out at all the others while none of them is blocked. */
export interface Circuit {
  /** where one blows in */
  in: string
  /** where it comes out, every one of its ports */
  out: readonly string[]
  passages: readonly Passage[]
}

/** The circuits of a plan that have two ports or more, in its order: what came clear at all of its ports is one blow. */
export function circuitsOf(plan: Pick<PassagePlan, 'passages' | 'ports'>): Circuit[] {
  const ports = new Set(plan.ports.map(({ code }) => code))
  const circuits: { places: Set<string>; passages: Passage[] }[] = []
  for (const passage of plan.passages) {
    const touched = circuits.filter(({ places }) => places.has(passage.from) || places.has(passage.to))
    const joined = {
      places: new Set([passage.from, passage.to, ...touched.flatMap(({ places }) => [...places])]),
      passages: [...touched.flatMap(({ passages }) => passages), passage],
    }
    for (const one of touched) circuits.splice(circuits.indexOf(one), 1)
    circuits.push(joined)
  }
  return circuits.flatMap(({ places, passages }) => {
    const [from, ...out] = plan.ports
      .map(({ code }) => code)
      .filter((code) => ports.has(code) && places.has(code))
    return from !== undefined && out.length > 0 ? [{ in: from, out, passages }] : []
  })
}
