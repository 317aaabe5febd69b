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

export interface PlacedLabel {
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
export function broken(words: string, size: number, width: number): string[] {
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
export interface LabelRoom {
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

/** How much higher or lower than its target a name may stand, px: first as they come, then wherever a leader gets by. */
const NEAR = [0, -40]
const FAR = [0, -40, 40, -90, 90]
const WIDE = [...FAR, -150, 150, -220, 220]
/** A leader that runs through another part weighs like so many px of length. */
const THROUGH = 400

interface Laid {
  labels: PlacedLabel[]
  cost: number
  /** leaders that run through another part, by key */
  through: ReadonlySet<string>
}

/**
 * Labels in two columns beside a drawing, px: no two words over each other, no two leaders crossing, none through another small part.
 * Every way of giving the labels to the sides is tried, first near their targets, then higher and lower; where none is free of
 * crossings the last wish is left out, and so is a name whose leader would still run through a part, but for the one that is asked.
 */
export function layLabels(
  wishes: readonly Wish[],
  room: LabelRoom,
  obstacles: readonly Obstacle[] = [],
): PlacedLabel[] {
  for (let count = wishes.length; count > 0; count--) {
    const some = wishes.slice(0, count)
    const near = bestOf(
      some,
      NEAR.map((shift) => some.map(() => shift)),
      room,
      obstacles,
    )
    if (!near) continue
    if (near.through.size === 0) return near.labels
    // Only those that do not get by are looked for farther away.
    const choices = some.map(({ key }) => (near.through.has(key) ? FAR : NEAR))
    const far = bestOf(some, everyOf(choices), room, obstacles) ?? near
    const asked = some.find(({ large, key }) => large && far.through.has(key))
    // The one that is asked rather stands alone than with a leader through another part.
    const alone = asked && bestOf([asked], everyOf([WIDE]), room, obstacles)
    if (alone?.through.size === 0) return alone.labels
    return far.labels.filter(({ key, large }) => large || !far.through.has(key))
  }
  return []
}

/** Every way to take one value of each list. */
const everyOf = (lists: readonly (readonly number[])[]): number[][] =>
  lists.reduce<number[][]>((ways, values) => ways.flatMap((way) => values.map((one) => [...way, one])), [[]])

function bestOf(
  wishes: readonly Wish[],
  shifts: readonly (readonly number[])[],
  room: LabelRoom,
  obstacles: readonly Obstacle[],
): Laid | undefined {
  const ready = wishes.map((wish) => readied(wish, room))
  const order = [...wishes.keys()].sort((a, b) => wishes[a]!.target[1] - wishes[b]!.target[1])
  let best: Laid | undefined
  for (let mask = 0; mask < 1 << wishes.length; mask++)
    for (const shift of shifts) {
      const labels = tried(ready, order, mask, shift, room)
      if (!labels) continue
      const length = labels.reduce((sum, { leader }) => sum + lengthOf(leader), 0)
      if (best && length >= best.cost) continue
      if (labels.some((a, i) => labels.slice(i + 1).some((b) => crosses(a.leader, b.leader)))) continue
      const hits = labels.flatMap(({ key, leader }) =>
        obstacles.filter((part) => part.key !== key && through(leader, part)).map(() => key),
      )
      const cost = length + hits.length * THROUGH
      if (!best || cost < best.cost) best = { labels, cost, through: new Set(hits) }
    }
  return best
}

const lengthOf = (line: readonly Px[]): number =>
  segments(line).reduce((sum, [[a, b], [c, d]]) => sum + Math.hypot(c - a, d - b), 0)

/** A wish with its name set for each column: its lines and how wide they are, px. */
interface Ready {
  wish: Wish
  left: { lines: string[]; words: number }
  right: { lines: string[]; words: number }
}

function readied(wish: Wish, { left, right }: LabelRoom): Ready {
  const size = wish.large ? LARGE_PX : WORD_PX
  const setIn = (column: number) => {
    const lines = broken(wish.words, size, column - 2 * RADIUS - 20)
    return { lines, words: Math.max(...lines.map((line) => wide(line, size))) }
  }
  const onLeft = setIn(left)
  return { wish, left: onLeft, right: left === right ? onLeft : setIn(right) }
}

/** One way of it: the labels whose bit is set stand on the right, each so much lower than its target; `order` is from the highest target down. */
function tried(
  ready: readonly Ready[],
  order: readonly number[],
  mask: number,
  shifts: readonly number[],
  { width, height, left, right, kept }: LabelRoom,
): PlacedLabel[] | undefined {
  const labels: PlacedLabel[] = []
  for (const side of ['left', 'right'] as const) {
    const column = side === 'left' ? left : right
    // The foot of a column may be taken by the key.
    const foot =
      kept && (side === 'left' ? kept.x0 < left : kept.x1 > width - right) ? kept.y0 - 6 : height - 4
    let top = 8
    for (const i of order) {
      if ((side === 'right') !== Boolean(mask & (1 << i))) continue
      if (column === 0) return undefined
      const { wish } = ready[i]!
      const { lines, words } = ready[i]![side]
      const tall = Math.max(2 * RADIUS, lines.length * LINE_PX)
      // Near the foot a name stands higher than its place.
      const y = Math.max(top + RADIUS, Math.min(foot - tall + RADIUS, wish.target[1] + shifts[i]!))
      top = y - RADIUS + tall + GAP
      if (top - GAP > foot) return undefined
      const x = side === 'left' ? column - RADIUS - 2 : width - column + RADIUS + 2
      const s = side === 'left' ? 1 : -1
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
