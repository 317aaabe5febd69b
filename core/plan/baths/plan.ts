import type { PartKind } from '../../sheets/index.ts'
import { handMinutes, litresOf, together, type Wash } from './wash.ts'

/** A part of some job that waits for a bath, lies in one or dries. */
export interface BathItem {
  job: string
  number: number
  body: number
  position: string
  name: string
  kind: PartKind
  wash: Wash
  /** the local date that its job is promised for */
  promise: string
  state: 'waits' | 'in' | 'drying'
  /** when it went in or came out, ms; 0 where it waits */
  sinceMs: number
}

/** What goes into the tank together, and when. */
export interface Load {
  items: BathItem[]
  wash: Wash
  litres: number
  /** minutes under the fluid, all faces */
  minutes: number
  startMs: number
  endMs: number
}

export interface PlannedBaths {
  /** what lies in the tank now */
  inside: Load | null
  /** what goes in next and after, in order */
  loads: Load[]
  /** too large for the tank, or for no bath */
  byHand: BathItem[]
  /** bench minutes that the loads free, handling taken off */
  freedMinutes: number
}

const MINUTE = 60_000
/** Between two loads: out, skim, next one hung. */
const CHANGE_MIN = 4
/** Turning the load over. */
const TURN_MIN = 1
/** Handling of a load that is bench time all the same. */
const HANDLING_MIN = 6
export const DRY_MIN = 20

const minutesOf = ({ minutesAFace, faces }: Wash): number =>
  minutesAFace * faces + TURN_MIN * Math.max(0, faces - 1)

/**
 * Loads for one warm tank of so many litres of room, from an instant on: the parts of the job that is promised soonest first, each into
 * the first load that has room for it and whose time it does not lengthen by more than a third; what is in the tank runs to its end.
 */
export function planBaths(items: readonly BathItem[], litres: number, nowMs: number): PlannedBaths {
  const order = (a: BathItem, b: BathItem) =>
    a.promise.localeCompare(b.promise) || a.number - b.number || litresOf(b.kind) - litresOf(a.kind)
  const inTank = items.filter(({ state, wash }) => state === 'in' && wash.bath === 'warm')
  const inside = inTank.length ? loadOf(inTank, Math.min(...inTank.map(({ sinceMs }) => sinceMs))) : null
  const waiting = items.filter(({ state }) => state === 'waits')
  const byHand = waiting.filter(({ wash, kind }) => wash.bath === 'none' || litresOf(kind) > litres)
  const groups: BathItem[][] = []
  for (const item of waiting.filter((one) => !byHand.includes(one)).sort(order)) {
    const fits = groups.find((group) => {
      const before = together(group.map(({ wash }) => wash))!
      const after = together([...group, item].map(({ wash }) => wash))!
      return (
        roomOf([...group, item]) <= litres + 1e-9 &&
        minutesOf(after) <= Math.max(minutesOf(before), minutesOf(item.wash)) * (4 / 3)
      )
    })
    if (fits) fits.push(item)
    else groups.push([item])
  }
  let at = inside ? Math.max(nowMs, inside.endMs + CHANGE_MIN * MINUTE) : nowMs
  const loads = groups.map((group) => {
    const load = loadOf(group, at)
    at = load.endMs + CHANGE_MIN * MINUTE
    return load
  })
  const freedMinutes = loads.reduce(
    (sum, load) => sum + load.items.reduce((all, { kind }) => all + handMinutes(kind), 0) - HANDLING_MIN,
    0,
  )
  return { inside, loads, byHand, freedMinutes: Math.max(0, freedMinutes) }
}

const roomOf = (items: readonly BathItem[]) => items.reduce((sum, { kind }) => sum + litresOf(kind), 0)

function loadOf(items: BathItem[], startMs: number): Load {
  const wash = together(items.map(({ wash }) => wash))!
  const minutes = minutesOf(wash)
  return { items, wash, litres: roomOf(items), minutes, startMs, endMs: startMs + minutes * MINUTE }
}

/** Which face of a load is up at an instant, from 1, and when it is turned next, ms; null once it is done. */
export function faceAt(load: Load, nowMs: number): { face: number; untilMs: number } | null {
  // Clocks differ by a breath: a load that went in this moment has its first face up.
  const sinceMs = Math.max(0, nowMs - load.startMs)
  const face = Math.floor(sinceMs / ((load.wash.minutesAFace + TURN_MIN) * MINUTE)) + 1
  if (nowMs >= load.endMs || face < 1 || face > load.wash.faces) return null
  const untilMs = load.startMs + (face * load.wash.minutesAFace + (face - 1) * TURN_MIN) * MINUTE
  return { face, untilMs }
}
