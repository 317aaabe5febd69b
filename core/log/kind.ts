import type * as v from 'valibot'
import type { StationName } from '../base/stations/index.ts'
import type { Sheets } from '../sheets/index.ts'
import type { UnsentEntry } from './entry.ts'
import { bodyOf, type BodyState, type Judged, type JobState } from './state.ts'

/** An entry whose data has passed its kind's schema. */
export type Stamped<D> = Omit<UnsentEntry, 'data'> & { data: D }

/** The sheets of each body that is identified. */
export type SheetsByBody = Readonly<Record<number, Sheets | undefined>>

/** One kind of entry: what its data looks like, what it does to the state, what the history says of it. */
export interface Kind<D, K extends string = string> {
  kind: K
  version: number
  /** belongs to one body of the job and says which */
  ofBody?: true
  /** where it is made; left out by what belongs to the job as a whole */
  station?: StationName
  /** may be said at any time: the engine is elsewhere, and tells its story after the return */
  always?: true
  /** from a version to the next one, for the data of rows that older programs wrote */
  upcasts?: Readonly<Record<number, (data: never) => unknown>>
  /** the part of the state that this kind keeps, as it is while nothing was entered */
  slice?: { job: Partial<JobState> } | { body: Partial<BodyState> }
  schema: v.GenericSchema<unknown, D>
  /** what a correction must share with what it corrects, besides job, kind and body */
  key: (data: D) => string
  apply: (state: JobState, entry: Stamped<D>) => JobState
  /**
   * what was done, after the name of who did it. `name` says a position's code or a setting's key as its sheet names it, `money` an
   * amount as the shop writes it
   */
  sentence: (data: D, name: (code: string) => string, money: (minor: number) => string) => string
}

export const defineKind = <D, const K extends string>(kind: Kind<D, K>): Kind<D, K> => kind

/** Changes one body of the job. */
export const withBody = (
  state: JobState,
  body: number | undefined,
  change: (body: BodyState) => Partial<BodyState>,
): JobState => {
  const number = body ?? 1
  const now = bodyOf(state, number)
  return { ...state, bodies: { ...state.bodies, [number]: { ...now, ...change(now) } } }
}

/**
 * One more judgement of a thing. Two people who say different things in a row both stand and differ until somebody says a
 * third time.
 */
export function sayAgain<T extends { by: string }>(
  before: Judged<T> | undefined,
  next: T,
  same: (a: T, b: T) => boolean,
): Judged<T> {
  const last = before?.said.at(-1)
  const differ = last !== undefined && !before!.differ && last.by !== next.by && !same(last, next)
  return { said: [...(before?.said ?? []), next], differ }
}

export const stamp = (entry: Stamped<unknown>) => ({ by: entry.by, at: entry.at, entry: entry.id })
