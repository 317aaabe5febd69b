import { type Bounds, type Piece, boxOf } from '@ekrond/core/unit/drawing'
import type { View } from './Pieces'

/** Height of a break line's waves, mm. */
const WAVE = 0.8

export interface Breaks {
  left: boolean
  right: boolean
  top: boolean
  foot: boolean
  /** the break lines as a path on the sheet */
  lines: (view: View) => string
}

/** Where castings go on beyond a window, mm: there they are broken off. */
export function brokenAt(window: Bounds, castings: readonly { pieces: readonly Piece[] }[]): Breaks {
  const box = boxOf(castings.flatMap(({ pieces }) => pieces))
  const breaks = {
    left: box.x0 < window.x0 - 0.5,
    right: box.x1 > window.x1 + 0.5,
    top: box.y1 > window.y1 + 0.5,
    foot: box.y0 < window.y0 - 0.5,
  }
  return {
    ...breaks,
    lines: (view) =>
      (['left', 'right', 'top', 'foot'] as const)
        .filter((side) => breaks[side])
        .map((side) => `M${edge(side, window, view, true)}`)
        .join(''),
  }
}

/** One side of a window on the sheet, clockwise as installed; waved where castings are broken off. */
function edge(side: 'left' | 'right' | 'top' | 'foot', window: Bounds, view: View, waved: boolean): string {
  const { x0, x1, y0, y1 } = window
  const [from, to] = {
    left: [[x0, y0] as const, [x0, y1] as const],
    top: [[x0, y1] as const, [x1, y1] as const],
    right: [[x1, y1] as const, [x1, y0] as const],
    foot: [[x1, y0] as const, [x0, y0] as const],
  }[side]
  const along = side === 'left' || side === 'right'
  const steps = waved ? 24 : 1
  return Array.from({ length: steps + 1 }, (_, i) => {
    const share = i / steps
    const wave = waved ? WAVE * Math.sin(share * Math.PI * 4) : 0
    const x = from![0] + (to![0] - from![0]) * share + (along ? wave : 0)
    const y = from![1] + (to![1] - from![1]) * share + (along ? 0 : wave)
    return `${(view.origin[0] + x * view.perMm).toFixed(1)} ${(view.origin[1] + (view.flip ? y : -y) * view.perMm).toFixed(1)}`
  }).join('L')
}

/** The window as a clip path: straight where what is seen ends by itself, waved where it is broken off. */
export function Broken({ id, window, at, view }: { id: string; window: Bounds; at: Breaks; view: View }) {
  // Where nothing is broken off, the line's own width is let through.
  const roomy: Bounds = {
    x0: window.x0 - (at.left ? 0 : 1),
    x1: window.x1 + (at.right ? 0 : 1),
    y0: window.y0 - (at.foot ? 0 : 1),
    y1: window.y1 + (at.top ? 0 : 1),
  }
  const d = (['left', 'top', 'right', 'foot'] as const)
    .map((side) => edge(side, roomy, view, at[side]))
    .join('L')
  return (
    <defs>
      <clipPath id={id}>
        <path d={`M${d}Z`} />
      </clipPath>
    </defs>
  )
}
