import type { SheetsByBody, JobState } from '../log/index.ts'
import type { Borrowed, Sheets } from '../sheets/index.ts'
import { ownSheets } from './sheets.ts'

type Families = Readonly<Record<string, Borrowed>>

const known = new WeakMap<JobState, Readonly<Record<number, Sheets>>>()

/** The sheets of each body of a job that is taught, made from its log. */
export function taughtSheets(state: JobState, families: Families): SheetsByBody {
  const before = known.get(state)
  if (before) return before
  const made: Record<number, Sheets> = {}
  for (const [number, { taught }] of Object.entries(state.bodies)) {
    const family = taught && families[taught.family]
    if (family) made[Number(number)] = ownSheets(state, Number(number), family)
  }
  known.set(state, made)
  return made
}
