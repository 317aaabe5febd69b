import { type SheetsByBody, bodyOf, type JobState, complaintWords } from '../../log/index.ts'
import { isForEnded, waitsFor } from '../../plan/needs/index.ts'
import { whereItHangs } from './hang.ts'
import { minutesLeft } from './minutes.ts'

/** The job's row on the rack: nothing in it depends on now or on anything outside the log and its immutable sheets. */
export interface JobSummary {
  job: string
  seq: number
  customer: string
  engine: string
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
  /** what it waits for, by the names on the parcel; empty where it does not wait */
  waitsFor: string
  bodies: number
  /** the body that it hangs with */
  body: number
  /** bench minutes until it can go back */
  minutesLeft: number
  openedAt: string
  /** when parts last arrived */
  arrivedAt: string | null
  lastBy: string
  lastAt: string
}

/** Null while the log has no opening. */
export function summarise(state: JobState, sheets: SheetsByBody): JobSummary | null {
  const { opened } = state
  if (!opened) return null
  const hangs = whereItHangs(state, sheets)
  const last = state.log.at(-1)
  // What ended waits for nothing.
  const ended = state.closed !== null || state.returned !== null
  const waiting = (ended ? [] : state.orders)
    .filter((order) => !order.arrived && !isForEnded(state, order))
    .map((order) => order.arrives)
  return {
    job: state.job,
    seq: state.seq,
    customer: opened.customer,
    engine: opened.engine,
    equipment: opened.equipment,
    complaint: complaintWords(opened.complaint),
    promise: opened.promise,
    status: state.returned ? 'returned' : state.closed ? 'closed' : 'open',
    station: hangs.station,
    stationState: hangs.state,
    line: hangs.line,
    listNumber: bodyOf(state, hangs.body).ident?.listNumber ?? bodyOf(state).ident?.listNumber ?? null,
    arrives: waiting.length ? waiting.sort().at(-1)! : null,
    waitsFor: ended ? '' : waitsFor(state).join(', '),
    bodies: opened.bodies,
    body: hangs.body,
    minutesLeft: minutesLeft(state, sheets),
    openedAt: opened.at,
    arrivedAt: state.log.findLast((entry) => entry.kind === 'order.arrived')?.at ?? null,
    lastBy: last?.by ?? opened.by,
    lastAt: last?.at ?? opened.at,
  }
}
