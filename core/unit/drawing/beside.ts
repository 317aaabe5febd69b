import { boxOf, fitted } from './lay.ts'
import { crosses, type Px } from './labels.ts'
import { explode, type UnitDrawing } from './unit.ts'
import type { Position } from '../../sheets/index.ts'

/** Something named beside the unit: its words' row, and the way from there to its place, px. */
export interface Beside<T> {
  of: T
  side: 'left' | 'right'
  /** the row's middle, at the column's inner edge */
  row: Px
  /** from the row, level and then aslant, to the place */
  leader: readonly Px[]
  /** where it lies; null where the drawing has no place for it: then it is only named */
  target: Px | null
}

/** Between two rows of a column, px: each is touched by a gloved finger. */
const PITCH = 52
const MARGIN = 12
/** How far a leader runs level before it turns. */
const LEVEL = 10

export interface LaidBeside<T> {
  perMm: number
  origin: Px
  parts: ReturnType<typeof explode>['parts']
  rows: Beside<T>[]
}

/**
 * A unit as it stands, whole, between two columns of names, each with one leader to its place: rows are sorted by the height of what
 * they name, at least a finger apart, and stand on the nearer side while that has room.
 */
export function layBeside<T>(
  drawing: UnitDrawing,
  positions: readonly Position[],
  wanted: readonly { of: T; at: readonly string[] }[],
  room: { width: number; height: number; column: number },
): LaidBeside<T> {
  const { parts } = explode(drawing, positions, {})
  const box = boxOf([...drawing.fixed, ...parts.flatMap(({ pieces }) => pieces)])
  const inner = { width: room.width - 2 * room.column, height: room.height }
  const { perMm, origin } = fitted(box, inner, MARGIN)
  const zero: Px = [origin[0] + room.column, origin[1]]
  const px = ([x, y]: readonly [number, number, number?]): Px => [zero[0] + x * perMm, zero[1] - y * perMm]
  const taken: Px[] = []
  const targets = wanted.map(({ of, at }) => {
    const part = at
      .map((code) => parts.find((one) => one.code === code && one.pieces.length > 0))
      .find((one) => one && !taken.some((other) => near(other, px(one.anchor))))
    const target = part ? px(part.anchor) : null
    if (target) taken.push(target)
    return { of, target }
  })
  const most = Math.max(1, Math.floor((room.height - 20) / PITCH))
  const middle = room.width / 2
  const sides = { left: [] as typeof targets, right: [] as typeof targets }
  const aside = (target: Px | null) => (target ? Math.abs(target[0] - middle) : -1)
  // What has no place stands below the others.
  const heightOf = (target: Px | null) => target?.[1] ?? room.height
  // The farther one lies from the middle, the surer its side.
  for (const one of [...targets].sort((a, b) => aside(b.target) - aside(a.target))) {
    const own =
      one.target === null
        ? sides.left.length <= sides.right.length
          ? 'left'
          : 'right'
        : one.target[0] < middle
          ? 'left'
          : 'right'
    const other = own === 'left' ? 'right' : 'left'
    const half = Math.ceil(targets.length / 2) + 1
    sides[sides[own].length < Math.min(most, half) ? own : other].push(one)
  }
  const rows = (['left', 'right'] as const).flatMap((side) => {
    const sorted = [...sides[side]].sort((a, b) => heightOf(a.target) - heightOf(b.target))
    const ys = spread(
      sorted.map(({ target }) => heightOf(target)),
      PITCH,
      room.height,
    )
    const x = side === 'left' ? room.column : room.width - room.column
    const laid = (order: typeof sorted) =>
      order.map(({ of, target }, i): Beside<T> => {
        const row: Px = [x, ys[i]!]
        return { of, side, row, target, leader: target ? wayTo(row, target, side) : [] }
      })
    return uncrossed(sorted, laid)
  })
  return { perMm, origin: zero, parts, rows }
}

/** The order of a column in which the fewest leaders cross: neighbours change places while that helps. */
function uncrossed<U, T>(sorted: readonly U[], laid: (order: U[]) => Beside<T>[]): Beside<T>[] {
  const crossings = (rows: readonly Beside<T>[]) =>
    rows.reduce((sum, a, i) => sum + rows.slice(i + 1).filter((b) => crosses(a.leader, b.leader)).length, 0)
  let best = [...sorted]
  let rows = laid(best)
  let least = crossings(rows)
  for (let turn = 0; turn < sorted.length && least > 0; turn++)
    for (let i = 1; i < best.length; i++) {
      const order = best.map((one, at) => (at === i ? best[i - 1]! : at === i - 1 ? best[i]! : one))
      const other = laid(order)
      const count = crossings(other)
      if (count < least) [best, rows, least] = [order, other, count]
    }
  return rows
}

const near = (a: Px, b: Px): boolean => Math.hypot(a[0] - b[0], a[1] - b[1]) < 22

/** Level from the row, then aslant at 45 degrees where there is room for it. */
function wayTo(row: Px, target: Px, side: 'left' | 'right'): Px[] {
  const toward = side === 'left' ? 1 : -1
  const rise = Math.abs(target[1] - row[1])
  const turn = target[0] - toward * rise
  const least = row[0] + toward * LEVEL
  const at = toward > 0 ? Math.max(least, turn) : Math.min(least, turn)
  return [row, [at, row[1]], target]
}

/** Heights as near to those wanted as a distance between them and the room allow. */
function spread(wanted: readonly number[], apart: number, height: number): number[] {
  const top = apart / 2
  const ys = wanted.map((y) => Math.max(top, y))
  for (let i = 1; i < ys.length; i++) ys[i] = Math.max(ys[i]!, ys[i - 1]! + apart)
  const over = (ys.at(-1) ?? 0) - (height - apart / 2)
  if (over <= 0) return ys
  // What ran out below is pushed up, each as far as it has to be.
  for (let i = ys.length - 1, limit = height - apart / 2; i >= 0; i--, limit -= apart)
    ys[i] = Math.min(ys[i]!, limit)
  return ys
}
