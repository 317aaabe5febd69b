import { partsTable } from './parts/index.ts'
import type { BuildSheet, Position, SpecSheet } from './schemas.ts'

/** What comes before the first screw of a unit, in its order: fuel out, dirt off, how it was joined, where whatever falls would go. */
export function wayIn(spec: Pick<SpecSheet, 'float' | 'draft'>, { positions }: BuildSheet): string[] {
  const drain = positions.find(({ code, name }) => /drain/i.test(`${code} ${name}`))
  const bowlBelow = positions.some(({ code }) => code === 'bowl')
  const has = (pattern: RegExp) => positions.some(({ code }) => pattern.test(code))
  const joined = [
    has(/choke\.cable|choke\.lever|clamp/) ? 'cables' : '',
    'hoses',
    has(/link|rod/) ? 'links with the hole that each sits in' : '',
  ].filter(Boolean)
  return [
    drain
      ? `Shut the fuel. Drain it into a can at the ${drain.name.toLowerCase().split(' and ')[0]}, before any other screw.`
      : bowlBelow
        ? 'Shut the fuel. It has no drain screw: hold a can under the bowl before its screws come loose.'
        : 'Shut the fuel. Its bowl is open once the cover is off: tip it out into a can, level until then.',
    'Wash the dirt off around every joint before one is opened: what falls in stays in.',
    `Photograph or mark ${joined.join(', ')}: they go back in the reverse order.`,
    spec.draft === 'down' || spec.draft === 'up'
      ? 'Stand it so that its levers move freely, and plug the manifold: what falls there goes into the engine.'
      : 'Lay it so that nothing rests on a lever, and plug the inlet it came off.',
  ]
}

const MOST_TOOLS = 3

/** What the next parts are held by, so that the driver is at hand: thread and how many, each once. */
export function toolsFor(next: readonly Position[]): string[] {
  const held = next.flatMap(({ kind, fastener, quantity }) =>
    fastener
      ? [`${fastener.thread} × ${quantity}`]
      : partsTable[kind].fastens
        ? [partsTable[kind].words]
        : [],
  )
  return [...new Set(held)].slice(0, MOST_TOOLS)
}
