import type { Entry } from './entry.ts'

/**
 * What the log says when it is read from its beginning. Each kind of entry adds the slice that it keeps, in its own file: what the
 * slice is (here, by declaration) and how it is empty (`slice` of the kind). Keys of settings are `code/place`.
 */
export interface JobState {
  job: string
  seq: number
  /** the whole log, struck entries and all */
  log: readonly Entry[]
  bodies: Readonly<Record<number, BodyState>>
  /** a body of which nothing was entered yet */
  blank: BodyState
}

/** What the log says of one body; the kinds that belong to a body add to it. */
// oxlint-disable-next-line typescript/no-empty-object-type -- the kinds fill it
export interface BodyState {}

/** All that was said of one thing, in order; `differ` while two people's judgements stand against each other. */
export interface Judged<T> {
  said: readonly T[]
  differ: boolean
}

/** A bank is two to six single bodies on one rail. */
export const MOST_BODIES = 6

export const bodiesOf = (state: JobState): number => state.opened?.bodies ?? 1

/** The numbers of the job's bodies, from 1. */
export const bodyNumbers = (state: JobState): number[] =>
  Array.from({ length: bodiesOf(state) }, (_, i) => i + 1)

/** Names a thing of one body where things of the whole job are listed; body 1 needs no prefix. */
export const bodyKey = (body: number, key: string): string => (body === 1 ? key : `${body}#${key}`)

/** The body and the thing that such a name says. */
export function readBodyKey(named: string): { body: number; key: string } {
  const read = /^(\d)#(.*)$/s.exec(named)
  return read ? { body: Number(read[1]), key: read[2]! } : { body: 1, key: named }
}

export const bodyOf = (state: JobState, body = 1): BodyState => state.bodies[body] ?? state.blank

export const lastSaid = <T>(judged: Judged<T> | undefined): T | undefined => judged?.said.at(-1)
