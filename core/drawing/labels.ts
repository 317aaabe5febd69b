import type { Bounds } from './unit.ts'

/** Screen pixels, y down. */
export type Px = readonly [x: number, y: number]

export interface Wish {
  /** what it names: the number in the balloon and its words */
  key: string
  number: string
  words: string
  /** where the leader points, px */
  target: Px
  /** the one that is asked: large, and never left out */
  large: boolean
}

export interface Label {
  key: string
  number: string
  lines: readonly string[]
  large: boolean
  side: 'left' | 'right'
  balloon: Px
  /** the leader: horizontal from the balloon, then straight to its target */
  leader: readonly Px[]
  /** what its words take up, px */
  box: { x: number; y: number; width: number; height: number }
}

/** Type sizes, px: none under 14 at any width. */
export const WORD_PX = 15
export const LARGE_PX = 17
const LINE_PX = 19
const RADIUS = 13
/** Between two balloons of one side, px. */
const GAP = 14

/** Width of words, px: the narrow face is about half as wide as high. */
const wide = (words: string, size: number): number => words.length * size * 0.5

/** Words broken into lines no wider than the column, px: between words, and after a hyphen where one alone is too wide. */
function broken(words: string, size: number, width: number): string[] {
  const lines: string[] = []
  for (const word of words.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && wide(`${last} ${word}`, size) <= width)
      lines[lines.length - 1] = `${last} ${word}`
    else if (wide(word, size) <= width) lines.push(word)
    else
      lines.push(
        ...word.split(/(?<=-)/).reduce<string[]>((parts, part) => {
          const before = parts.at(-1)
          return before !== undefined && wide(before + part, size) <= width
            ? [...parts.slice(0, -1), before + part]
            : [...parts, part]
        }, []),
      )
  }
  return lines
}

/** Whether two leaders cross, their common ends apart. */
export const crosses = (a: readonly Px[], b: readonly Px[]): boolean =>
  segments(a).some((one) => segments(b).some((other) => meet(one, other)))

const segments = (line: readonly Px[]): (readonly [Px, Px])[] =>
  line.slice(1).map((p, i) => [line[i]!, p] as const)

function meet([a, b]: readonly [Px, Px], [c, d]: readonly [Px, Px]): boolean {
  const side = (p: Px, q: Px, r: Px) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))
  return side(a, b, c) !== side(a, b, d) && side(c, d, a) !== side(c, d, b)
}

/** A sheet and its columns for names, px; what is kept free in one of them. */
export interface Room {
  width: number
  height: number
  left: number
  right: number
  kept?: Bounds
}

/** A box that leaders should keep off: another small part, px. */
export type Obstacle = Bounds & { key: string }

const through = (line: readonly Px[], { x0, y0, x1, y1 }: Bounds): boolean =>
  segments(line).some(
    (one) =>
      inside(one[1], { x0, y0, x1, y1 }) ||
      meet(one, [
        [x0, y0],
        [x1, y1],
      ]) ||
      meet(one, [
        [x1, y0],
        [x0, y1],
      ]),
  )
const inside = ([x, y]: Px, { x0, y0, x1, y1 }: Bounds) => x > x0 && x < x1 && y > y0 && y < y1

/**
 * Labels in two columns beside a drawing, px: no two words over each other, no two leaders crossing, and through as few other parts
 * as may be. Every way of giving the labels to the sides is tried; where none is free of crossings the last wish is left out.
 */
export function layLabels(wishes: readonly Wish[], room: Room, obstacles: readonly Obstacle[] = []): Label[] {
  for (let count = wishes.length; count > 0; count--) {
    const some = wishes.slice(0, count)
    let best: { labels: Label[]; cost: number } | undefined
    for (let mask = 0; mask < 1 << count; mask++)
      for (const up of [0, 1]) {
        const labels = tried(some, mask, up === 1, room)
        if (!labels) continue
        const crossing = labels.some((a, i) => labels.slice(i + 1).some((b) => crosses(a.leader, b.leader)))
        if (crossing) continue
        const cost = labels.reduce(
          (sum, { key, leader }) =>
            sum +
            obstacles.filter((part) => part.key !== key && through(leader, part)).length * 400 +
            lengthOf(leader),
          0,
        )
        if (!best || cost < best.cost) best = { labels, cost }
      }
    if (best) return best.labels
  }
  return []
}

const lengthOf = (line: readonly Px[]): number =>
  segments(line).reduce((sum, [[a, b], [c, d]]) => sum + Math.hypot(c - a, d - b), 0)

/** One way of it: the labels whose bit is set stand on the right; `above` starts each column higher than its targets. */
function tried(
  wishes: readonly Wish[],
  mask: number,
  above: boolean,
  { width, height, left, right, kept }: Room,
): Label[] | undefined {
  const labels: Label[] = []
  for (const side of ['left', 'right'] as const) {
    const column = side === 'left' ? left : right
    // The foot of a column may be taken by the key.
    const foot =
      kept && (side === 'left' ? kept.x0 < left : kept.x1 > width - right) ? kept.y0 - 6 : height - 4
    const here = wishes
      .filter((_, i) => (side === 'right') === Boolean(mask & (1 << i)))
      .sort((a, b) => a.target[1] - b.target[1])
    if (here.length > 0 && column === 0) return undefined
    let top = 8
    for (const wish of here) {
      const size = wish.large ? LARGE_PX : WORD_PX
      const lines = broken(wish.words, size, column - 2 * RADIUS - 20)
      const tall = Math.max(2 * RADIUS, lines.length * LINE_PX)
      // Near the foot a name stands higher than its place.
      const y = Math.max(top + RADIUS, Math.min(foot - tall + RADIUS, wish.target[1] - (above ? 40 : 0)))
      top = y - RADIUS + tall + GAP
      if (top - GAP > foot) return undefined
      const x = side === 'left' ? column - RADIUS - 2 : width - column + RADIUS + 2
      const s = side === 'left' ? 1 : -1
      const words = Math.max(...lines.map((line) => wide(line, size)))
      const reach = Math.abs(wish.target[1] - y)
      const elbow = wish.target[0] - s * Math.min(reach, Math.max(0, s * (wish.target[0] - x) - RADIUS - 4))
      labels.push({
        key: wish.key,
        number: wish.number,
        lines,
        large: wish.large,
        side,
        balloon: [x, y],
        leader: [[x + s * RADIUS, y], [elbow, y], wish.target],
        box: {
          x: side === 'left' ? x - RADIUS - 7 - words : x + RADIUS + 7,
          y: y - LINE_PX / 2 - 2,
          width: words,
          height: lines.length * LINE_PX,
        },
      })
    }
  }
  return labels
}
