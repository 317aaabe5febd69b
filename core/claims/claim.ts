import type { StationName } from '../base/stations/index.ts'

/** What something has to be shown about. */
export type ClaimOf =
  | 'identity'
  | 'part'
  | 'renewal'
  | 'repair'
  | 'passage'
  | 'joint'
  | 'setting'
  | 'test'
  | 'fuel'
  | 'supply'
  | 'port'
  | 'complaint'

/** How heavy it is where it is not checked: fatal ones are never let pass, major ones leave the unit not proved, minor ones are printed. */
export type Weight = 'fatal' | 'major' | 'minor'

/**
 * Whether it was shown, and by what it is not: nobody looked, what showed it fell away, what was said speaks against it. Excepted is let
 * pass with a reason and a second person; out of scope was not asked for.
 */
export type ClaimState = 'shown' | 'open' | 'void' | 'contradicted' | 'excepted' | 'out of scope'

/** One way in which a claim is not shown, as it stands before the return. */
export interface Way {
  as: 'open' | 'void' | 'contradicted'
  weight: Weight
  /** names it in a `gate.passed`, within its body */
  point: string
  title: string
  detail: string
  /** what a pass is bound to: another value opens it again; null where it is bound to the point alone */
  value: string | null
  /** told together with others of one kind, as one thing with one reason */
  group?: string
  /** the entry that made void what was shown; null where none did */
  since?: string | null
}

/**
 * One thing that has to be true of a unit before it may go back, and whether the log shows it. A unit is right only by what was shown:
 * what nobody looked at is open.
 */
export interface Claim {
  /** stable: kind, body, subject */
  id: string
  body: number
  of: ClaimOf
  /** a position, a setting's key, a branch, a proof, a feature */
  subject: string
  /** as the sheet calls it */
  name: string
  weight: Weight
  state: ClaimState
  /** entries that show it, the last one last */
  shownBy: readonly string[]
  /** positions and settings that what shows it rests on */
  restsOn: readonly string[]
  /** the entry since which it is void; null where it is not */
  since: string | null
  /** why it is not shown; empty where it is */
  why: string
  /** what would show it; empty where it is */
  next: string
  station: StationName
  /** bench minutes that it asks for while it is not shown */
  minutes: number
  /** in what it is not shown; empty where it is */
  ways: readonly Way[]
}

const claimId = (of: ClaimOf, body: number, subject: string): string => `${of}:${body}:${subject}`

/** Whether nothing has to be done about it any more: shown, let pass, or not asked for. */
export const isSettled = ({ state }: Pick<Claim, 'state'>): boolean =>
  state === 'shown' || state === 'excepted' || state === 'out of scope'

/** What is known of a claim before it is asked whether it stands. */
export interface Stated {
  of: ClaimOf
  body: number
  subject: string
  name: string
  station: Claim['station']
  weight?: Weight
  shownBy?: readonly (string | undefined)[]
  restsOn?: readonly string[]
  why?: string
  next?: string
  minutes?: number
  ways: readonly Way[]
}

/** A claim as the log says it, before anybody let it pass: shown where nothing is in its way. */
export function stated(told: Stated): Claim {
  const [first] = told.ways
  return {
    id: claimId(told.of, told.body, told.subject),
    body: told.body,
    of: told.of,
    subject: told.subject,
    name: told.name,
    weight: heaviest(told.ways) ?? told.weight ?? 'major',
    state: first?.as ?? 'shown',
    shownBy: (told.shownBy ?? []).filter((entry) => entry !== undefined),
    restsOn: told.restsOn ?? [],
    since: told.ways.find(({ since }) => since)?.since ?? null,
    why: first ? (told.why ?? first.title) : '',
    next: first ? (told.next ?? first.detail) : '',
    station: told.station,
    minutes: told.minutes ?? 0,
    ways: told.ways,
  }
}

const ORDER: readonly Weight[] = ['minor', 'major', 'fatal']
const heaviest = (ways: readonly Way[]): Weight | undefined =>
  ways.length ? ORDER[Math.max(...ways.map(({ weight }) => ORDER.indexOf(weight)))] : undefined

/** A way that stands by itself. */
export const way = (
  as: Way['as'],
  point: string,
  title: string,
  detail: string,
  more: Partial<Pick<Way, 'weight' | 'value' | 'group' | 'since'>> = {},
): Way => ({ as, point, title, detail, weight: 'major', value: null, ...more })
