import type { Pt } from '../../unit/drawing/index.ts'
import { outsideOf } from '../../unit/families/index.ts'
import { bodyOf, lastSaid, portWords, type JobState } from '../../log/index.ts'
import { showValue } from '../../measure/index.ts'
import { flowWords, screwWords } from '../../physics/mixture/index.ts'
import { screwFlowOf, settingKey, type SettingSpec, type Sheets } from '../../sheets/index.ts'

type Point = [number, number]

/** The unit from outside as paper draws it, mm, y upwards: castings, ports with how they are left, adjusters with which way does what. */
export interface SheetPicture {
  bounds: { x0: number; y0: number; x1: number; y1: number }
  outlines: Point[][]
  ports: {
    letter: string
    name: string
    left: string
    state: 'joined' | 'capped' | 'open' | 'sync' | 'not said'
    at: Point
    side: 'left' | 'right' | 'up' | 'down'
  }[]
  adjusters: {
    name: string
    left: string
    words: string
    at: Point
    /** turned by a driver: drawn as its head; sheets of before do not say */
    screw?: boolean
  }[]
}

const letter = (i: number) => String.fromCharCode(97 + i)

/** Which way an adjuster does what, in words; empty where nobody knows. */
function wayOf(setting: SettingSpec, sheets: Sheets): string {
  const flow = screwFlowOf(setting, sheets.spec)
  switch (setting.code) {
    case 'mixture.turns':
    case 'screw.turns':
      return (flow ? flowWords[flow] : screwWords(null)).replace(/[.:].*$/, '').toLowerCase()
    case 'idle.screw':
      return 'in is faster'
    case 'choke.index':
      return 'a notch richer stays shut longer'
    case 'airValve.turns':
      return 'wound tighter opens later'
    default:
      return ''
  }
}

const ADJUSTERS = ['mixture.turns', 'screw.turns', 'idle.screw', 'choke.index', 'airValve.turns']

/** The picture of a body as it goes out. */
export function sheetPicture(state: JobState, sheets: Sheets, body: number): SheetPicture {
  const here = bodyOf(state, body)
  const { elevation, ports, placeOf } = outsideOf(sheets)
  const point = (at: Pt): Point => [Math.round(at[0] * 10) / 10, Math.round(at[1] * 10) / 10]
  return {
    bounds: elevation.bounds,
    outlines: elevation.silhouettes.map((line) => line.map((at) => point(at))),
    ports: ports.map((port, i) => {
      const left = here.ports[port.code]?.left
      return {
        letter: letter(i),
        name: port.name,
        left: left ? portWords(left) : 'not said',
        state: left?.state ?? 'not said',
        at: point(port.at),
        side: port.side,
      }
    }),
    adjusters: sheets.spec.settings
      .filter(({ code }) => ADJUSTERS.includes(code))
      .map((setting) => {
        const set = lastSaid(here.readings[settingKey(setting)])
        const value = set ? showValue(set.value, setting.quantity) : ''
        return {
          name: setting.short,
          left: set
            ? setting.quantity === 'turns'
              ? `${value} ${/^[01]$|^\d\/\d$/.test(value) ? 'turn' : 'turns'}`
              : value
            : 'not recorded',
          words: wayOf(setting, sheets),
          at: point(placeOf(setting)),
          screw: setting.quantity === 'turns',
        }
      }),
  }
}

/** The picture laid out on a place of so many units, y downwards: what every paper, screen and page draws alike. */
export interface LaidPicture {
  outlines: Point[][]
  /** a port's stub from the casting, its letter's circle; filled where it is capped */
  stubs: { from: Point; to: Point; letter: string; filled: boolean }[]
  /** from the adjuster to where its words begin */
  leaders: { from: Point; to: Point; first: string; second: string; screw: boolean }[]
}

const STUB_MM = 8
/** Between the words of one adjuster and those of the next. */
const WORDS_APART = 38
/** From one screw to the next that would lie behind it. */
const ASIDE = 9

/** Fits the picture into its left part; the adjusters' words stand in a column of `words` at its right, none over another. */
export function layPicture(
  picture: SheetPicture,
  width: number,
  height: number,
  words: number,
  apart = WORDS_APART,
): LaidPicture {
  const { x0, x1, y0, y1 } = picture.bounds
  const room = { width: width - words - 44, height: height - 26 }
  const scale = Math.min(room.width / (x1 - x0 + 2 * STUB_MM), room.height / (y1 - y0 + STUB_MM))
  const left = 22 + (room.width - (x1 - x0) * scale) / 2
  const at = ([x, y]: Point): Point => [left + (x - x0) * scale, 16 + (y1 - y) * scale]
  const way = { left: [-1, 0], right: [1, 0], up: [0, 1], down: [0, -1] } as const
  const column = width - words + 4
  const sorted = [...picture.adjusters].sort((a, b) => b.at[1] - a.at[1])
  const wanted = sorted.map(({ at: place }) => at(place)[1])
  // From the top each keeps its distance; what ran out below is pushed up again.
  const rows = wanted.map((y) => Math.max(14, y))
  for (let i = 1; i < rows.length; i++) rows[i] = Math.max(rows[i]!, rows[i - 1]! + apart)
  const over = (rows.at(-1) ?? 0) - (height - 18)
  const placed = over > 0 ? rows.map((y) => y - over) : rows
  return {
    outlines: picture.outlines.map((line) => line.map(at)),
    stubs: picture.ports.map(({ at: place, side, letter: name, state }) => {
      const [dx, dy] = way[side]
      return {
        from: at(place),
        to: at([place[0] + dx * STUB_MM, place[1] + dy * STUB_MM]),
        letter: name,
        filled: state === 'capped',
      }
    }),
    leaders: sorted.map(({ at: place, name, left: value, words: says, screw = false }, i) => {
      // Two screws of one height lie behind each other from the side: they are drawn side by side.
      const [x, y] = at(place)
      const behind = sorted.slice(0, i).filter((one) => one.at[0] === place[0] && one.at[1] === place[1])
      return {
        from: [x + behind.length * ASIDE, y],
        to: [column, placed[i]!],
        first: `${name}, ${value}`,
        second: says,
        screw,
      }
    }),
  }
}
