import { uncured } from '../../judge/findings/index.ts'
import { type SheetsByBody, bodyNumbers, bodyOf, type JobState, seqOf } from '../../log/index.ts'
import { nameOn, type Sheets } from '../../sheets/index.ts'
import { DRY_MIN, type BathItem } from './plan.ts'
import { washOf } from './wash.ts'

/** Where a part is that came off. */
export type BathPlace = 'tray' | 'bath' | 'drying' | 'to measure' | 'clean' | 'on'

/** Where each part of a body is that came off, at an instant (ms). */
export function whereIs(
  state: JobState,
  sheets: Sheets,
  body: number,
  nowMs: number,
): Record<string, BathPlace> {
  const here = bodyOf(state, body)
  const asks = new Set(
    uncured(state, sheets, body)
      .filter(({ wants, left }) => wants === 'clean' && !left)
      .map(({ position }) => position),
  )
  return Object.fromEntries(
    Object.entries(here.off).map(([code, off]): [string, BathPlace] => {
      if (here.on[code]) return [code, 'on']
      const bath = here.baths[code]
      if (!bath || seqOf(state, bath.entry) < seqOf(state, off.entry))
        return [
          code,
          here.findings[code] && !asks.has(code) && wasAsked(state, body, code) ? 'clean' : 'tray',
        ]
      if (bath.out === null) return [code, 'bath']
      if (nowMs - Date.parse(bath.out) < DRY_MIN * 60_000) return [code, 'drying']
      return [code, asks.has(code) ? 'to measure' : 'clean']
    }),
  )
}

/** Whether a part was to be cleaned once, and no longer is. */
const wasAsked = (state: JobState, body: number, code: string): boolean =>
  bodyOf(state, body).findings[code]?.said.some(({ ruled }) => ruled === 'clean') ?? false

/** What of a job waits for a bath, lies in one or dries: what is off and has not been washed since. */
export function bathItems(state: JobState, all: SheetsByBody, number: number, nowMs: number): BathItem[] {
  if (!state.opened || state.returned || state.closed) return []
  return bodyNumbers(state).flatMap((body) => {
    const sheets = all[body]
    if (!sheets || bodyOf(state, body).ended) return []
    const where = whereIs(state, sheets, body, nowMs)
    const here = bodyOf(state, body)
    return sheets.build.positions.flatMap((position): BathItem[] => {
      const place = where[position.code]
      if (place !== 'tray' && place !== 'bath' && place !== 'drying') return []
      // What is renewed anyway is kept to compare, and thrown away.
      if (place === 'tray' && here.findings[position.code]?.said.at(-1)?.disposition === 'replace') return []
      const bath = here.baths[position.code]
      const since = place === 'bath' ? bath?.at : place === 'drying' ? bath?.out : null
      return [
        {
          job: state.job,
          number,
          body,
          position: position.code,
          name: nameOn(sheets, position.code),
          kind: position.kind,
          wash: washOf(position),
          promise: state.opened!.promise,
          state: place === 'tray' ? 'waits' : place === 'bath' ? 'in' : 'drying',
          sinceMs: since ? Date.parse(since) : 0,
        },
      ]
    })
  })
}
