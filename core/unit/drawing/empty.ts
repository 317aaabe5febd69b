import type { Px } from './labels.ts'

interface Room {
  width: number
  height: number
}

/** How finely an empty place is looked for, px. */
const STEP = 20
/** From the sheet's edge, px. */
const EDGE = 4

const toSegment = ([x, y]: Px, [ax, ay]: Px, [bx, by]: Px): number => {
  const [dx, dy] = [bx - ax, by - ay]
  const long = dx * dx + dy * dy
  const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / long))
  return Math.hypot(x - ax - t * dx, y - ay - t * dy)
}

/**
 * The largest circle of a sheet that meets none of the lines drawn on it, px: at most `most` in radius and `gap` away from every
 * line. Where several are as large, the one farthest right and down.
 */
export function emptyCircle(
  lines: readonly (readonly Px[])[],
  room: Room,
  { most, gap }: { most: number; gap: number },
): { centre: Px; radius: number } {
  let best: { centre: Px; radius: number } = { centre: [0, 0], radius: 0 }
  for (let y = STEP; y < room.height; y += STEP)
    for (let x = STEP; x < room.width; x += STEP) {
      let radius = Math.min(most, room.width - x - EDGE, x - EDGE, room.height - y - EDGE, y - EDGE)
      for (const line of lines) {
        for (let i = 1; radius >= best.radius && i < line.length; i++)
          radius = Math.min(radius, toSegment([x, y], line[i - 1]!, line[i]!) - gap)
        if (radius < best.radius) break
      }
      if (radius >= best.radius) best = { centre: [x, y], radius }
    }
  return best
}
