import type { JobState, ProofMeasured } from '../../../log/index.ts'
import { type Position, type Sheets, teardownOrder } from '../../../sheets/index.ts'
import type { Limits } from '../limits.ts'

export type ProofCode =
  | 'inlet'
  | 'lifts'
  | 'vacuum'
  | 'slide'
  | 'enricher'
  | 'choke'
  | 'electric'
  | 'own'
  | 'throttle'
  | 'ports'
  | 'level'
  | 'weep'
  | 'pump'
  | 'alike'
  | 'sync'

/** One proof of one body: what is asked, what it wants, and what voids it. */
export interface Proof {
  /** names it in entries; `vacuum` says of what */
  key: string
  code: ProofCode
  name: string
  /** on the strip */
  short: string
  unit: string
  /** how it is measured; ports are looked at where they are listed */
  how: ProofMeasured['what'] | 'ports'
  wants: string
  hold: string
  /** positions that must be on for it, and whose leaving or return voids it; settings whose later reading does */
  rests: readonly string[]
  /** positions that may be off meanwhile, and whose later leaving voids it */
  opens: readonly string[]
  settings: readonly string[]
  /** a weight lies on the needle meanwhile: its float hangs on a cover that is held upside down */
  weighted: boolean
  /** it is of the whole bank, not of one body */
  ofAll: boolean
  /** what it is judged by */
  limits: Limits
}

export interface ProofSubject {
  state: JobState
  sheets: Sheets
  body: number
}

/** A proof as its own file lists it. */
export type Listed = Omit<Proof, 'code' | 'ofAll' | 'opens' | 'weighted' | 'limits'> & {
  ofAll?: boolean
  weighted?: boolean
  opens?: string[]
}

/** What a unit has to prove of one kind: nothing where it has no such thing. */
export type Listing = (subject: ProofSubject) => Listed[]

/** Positions that come off, by what they are. */
export const codesOf = (sheets: Sheets, which: (position: Position) => boolean): string[] =>
  teardownOrder(sheets.build)
    .filter(which)
    .map(({ code }) => code)

const SHUTS = ['needle', 'seat', 'float', 'pin', 'washer']
/** What shuts the fuel off. */
export const inletParts = (sheets: Sheets): string[] => codesOf(sheets, ({ kind }) => SHUTS.includes(kind))
/** What covers it or brings the fuel to it. */
export const aroundInlet = (sheets: Sheets): string[] =>
  codesOf(
    sheets,
    ({ code, kind }) => kind === 'cover' || code.startsWith('inlet.') || code === sheets.spec.float.hangsOn,
  )

/** What a hand feels or an eye sees. */
export function seen(
  key: string,
  name: string,
  short: string,
  wants: string,
  hold: string,
  rests: string[],
): Listed {
  return { key, name, short, unit: 'by hand', how: 'seen', wants, hold, rests, settings: [] }
}
