import { bodyNumbers, bodyOf, type JobState, type SheetsByBody } from '../../log/index.ts'
import { stations, viewOf } from './registry.ts'
import { RETURN_MINUTES } from './return.ts'

/** Bench minutes that are left until it can go back: what each station has still to do, body by body. */
export function minutesLeft(state: JobState, all: SheetsByBody): number {
  if (!state.opened || state.closed || state.returned) return 0
  return (
    RETURN_MINUTES +
    bodyNumbers(state)
      .filter((body) => !bodyOf(state, body).ended)
      .map((body) => viewOf(state, all, body))
      .reduce((sum, view) => sum + stations.reduce((own, station) => own + station.minutes(view), 0), 0)
  )
}
