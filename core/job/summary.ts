import type { Sheets } from '../sheets/index.ts'
import { currentStation, standingLine, stationStates } from './stations.ts'
import { bodyOf, type JobState } from './state.ts'

/** The job's row on the rack: nothing in it depends on now or on anything outside the log and its immutable sheets. */
export interface JobSummary {
  job: string
  seq: number
  customer: string
  equipment: string
  complaint: string
  promise: string
  status: 'open' | 'closed' | 'returned'
  station: string
  stationState: string
  line: string
  listNumber: string | null
  /** local date on which what it waits for comes; null where it does not wait */
  arrives: string | null
  lastBy: string
  lastAt: string
}

/** Null while the log has no opening. */
export function summarise(state: JobState, sheets: Sheets | undefined): JobSummary | null {
  const { opened } = state
  if (!opened) return null
  const station = currentStation(state, sheets)
  const last = state.log.at(-1)
  const waiting = state.orders.filter((order) => !order.arrived).map((order) => order.arrives)
  return {
    job: state.job,
    seq: state.seq,
    customer: opened.customer,
    equipment: opened.equipment,
    complaint: opened.complaint.words || opened.complaint.symptom,
    promise: opened.promise,
    status: state.returned ? 'returned' : state.closed ? 'closed' : 'open',
    station,
    stationState: stationStates(state, sheets)[station],
    line: standingLine(state, sheets),
    listNumber: bodyOf(state).ident?.listNumber ?? null,
    arrives: waiting.length ? waiting.sort().at(-1)! : null,
    lastBy: last?.by ?? opened.by,
    lastAt: last?.at ?? opened.at,
  }
}
