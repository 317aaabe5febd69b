import { rect, type Cut, type Line, type Pt } from '../drawing/index.ts'
import type { FamilyName } from './names.ts'

/** The faces of a family, mm at the size of its drawing: x as in the section, y to the back. */
export interface Footprint {
  letter: string
  /** by the casting that its fasteners hold */
  faces: Readonly<Record<string, { outline: Line; holes: Line[] }>>
  /** all castings, the lowest first */
  castings: readonly { name: string; line: Line }[]
  /** axes of the bores that are seen from above; none where they lie flat */
  bores: readonly Pt[]
  inlet: Pt
  /** the flange's bolts are measured along x (0) or y (1) of the plan */
  row: 0 | 1
  /** the flange is drawn over the castings, or under them */
  flange: 'over' | 'under'
  /** where the bore lies flat: what is seen of the unit from the engine's side, x to the side and y up, and its bore's height */
  end?: { boreY: number; castings: readonly { name: string; line: Line }[] }
}

export const ring = (x: number, y: number, r: number): Line =>
  Array.from({ length: 72 }, (_, i): Pt => {
    const angle = (i * Math.PI) / 36
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)]
  })

/** Wider about its bores than about its bowl. */
const stepped = (x0: number, xStep: number, x1: number, narrow: number, wide: number): Line => [
  [x0, -narrow, 8],
  [xStep - 4, -narrow, 3],
  [xStep, -wide, 6],
  [x1, -wide, 8],
  [x1, wide, 8],
  [xStep, wide, 6],
  [xStep - 4, narrow, 3],
  [x0, narrow, 8],
]

function down(rows: readonly number[], secondaries: boolean): Footprint {
  const xs = secondaries ? [83, 125] : [83]
  const right = xs.at(-1)! + 30
  const bores = xs.flatMap((x) => rows.map((y): Pt => [x, y]))
  const wide = rows.length > 1 ? 45 : 32
  const outline = stepped(-38, 58, right, 32, wide)
  return {
    letter: 'A',
    faces: {
      cover: {
        outline,
        holes: [rect(-10.5, -24, 51, 24, 5), ring(-20, 0, 6), ...bores.map(([x, y]) => ring(x, y, 16))],
      },
    },
    castings: [{ name: 'cover', line: outline }],
    bores,
    inlet: [-14, 0],
    row: secondaries ? 0 : 1,
    flange: 'under',
  }
}

function up(count: number): Footprint {
  const xs = count > 1 ? [74, 114] : [74]
  const bores = xs.map((x): Pt => [x, 0])
  const lid = rect(-14, -34, 55, 34, 8)
  const face = { outline: lid, holes: [rect(-9, -29, 50, 29, 6)] }
  return {
    letter: 'C',
    faces: { cover: face, 'bowl.cover': face },
    castings: [
      { name: 'bore', line: rect(50, -25, xs.at(-1)! + 24, 25, 8) },
      { name: 'lid', line: lid },
    ],
    bores,
    inlet: count > 1 ? [-14, 0] : [20, 34],
    row: 0,
    flange: 'over',
  }
}

export const footprints: Record<FamilyName, (barrels: number) => Footprint> = {
  downdraft: (barrels) => down(barrels > 1 ? [-21, 21] : [0], false),
  'four-barrel downdraft': () => down([-21, 21], true),
  updraft: () => up(1),
  'twin updraft': () => up(2),
  slide: () =>
    side(16.6, [
      { name: 'tower', line: rect(-16.6, 30, 16.6, 64.5, 1) },
      { name: 'cap', line: rect(-19.6, 56.5, 19.6, 70, 4) },
    ]),
  diaphragm: () =>
    side(30, [
      { name: 'tower', line: rect(-17, 30, 17, 55.5, 1) },
      { name: 'dome', line: rect(-30, 51.5, 30, 75.5, 8) },
    ]),
  'small one-barrel': () => ({
    letter: 'D',
    faces: {
      'bowl.cover': { outline: rect(-4, -25, 44, 25, 6), holes: [rect(-2.5, -17, 38, 17, 4)] },
    },
    castings: [
      { name: 'bore', line: rect(40, -15, 112, 15, 4) },
      { name: 'bowl', line: rect(-14, -26, 44, 26, 6) },
    ],
    bores: [],
    inlet: [-14, 0],
    row: 0,
    flange: 'over',
    end: {
      boreY: -20,
      castings: [
        { name: 'bowl', line: rect(-24, -42, 24, 0, 6) },
        { name: 'bowl cover', line: rect(-22, 0, 22, 8, 4) },
      ],
    },
  }),
}

/** A bowl under a bore that lies flat; `tower` its radius seen from above, `over` what stands over the body seen from the engine. */
function side(tower: number, over: readonly { name: string; line: Line }[]): Footprint {
  return {
    letter: 'B',
    faces: { bowl: { outline: rect(-23, -27, 55, 27, 9), holes: [rect(-10.5, -21, 42.5, 21, 6)] } },
    castings: [
      { name: 'bowl', line: rect(-23, -27, 55, 27, 9) },
      { name: 'bore', line: rect(-52, -17.5, 80, 17.5, 3) },
      { name: 'tower', line: ring(22, 0, tower) },
    ],
    bores: [],
    inlet: [-39, 0],
    row: 0,
    flange: 'over',
    end: {
      boreY: 31,
      castings: [
        { name: 'bowl', line: rect(-27, -38, 27, 0, 7) },
        { name: 'body', line: rect(-27, 0, 27, 12, 2) },
        ...over,
      ],
    },
  }
}

/** Another size of a line: every length by k. */
export const scaledLine = (line: Line, k: number): Line =>
  line.map(([x, y, r = 0]): Pt => [x * k, y * k, r * k])

/** Where a plan is cut: through the front row of bores, where there are two. */
export function cutOf(outlines: readonly { line: Line }[], { bores, letter }: Footprint, k: number): Cut {
  const xs = outlines.flatMap(({ line }) => line.map(([x]) => x))
  const y = Math.min(0, ...bores.map(([, one]) => one)) * k
  return {
    from: [Math.min(...xs) - 6, y] as Pt,
    to: [Math.max(...xs) + 6, y] as Pt,
    letter,
  }
}
