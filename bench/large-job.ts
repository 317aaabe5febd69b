import { fold, type Entry, type UnsentEntry } from '@ekrond/core/log'
import { admit } from '@ekrond/core/bench/admit'
import type { Sheets } from '@ekrond/core/sheets'
import { currentStation, gatePoints } from '@ekrond/core/bench/stations'
import { identified, JOB, opening, placed, reading, sheetsFor, unsent } from '../demo/log-entries.ts'

export interface LargeJob {
  sheets: Sheets
  log: Entry[]
  next: UnsentEntry
}

/** A job of 120 parts, all off and most of them on again, 400 readings and 60 photographs. */
export function largeJob(): LargeJob {
  const own = sheetsFor('K-4438-2S')
  const positions = Array.from({ length: 120 }, (_, i) => {
    const one = own.build.positions[i % own.build.positions.length]!
    return i < own.build.positions.length ? one : { ...one, code: `${one.code}.${i}` }
  })
  const sheets = { ...own, build: { ...own.build, positions } }
  const loose = positions.filter(({ stays }) => !stays)
  const on = (position: string) =>
    ['part.on', { position, from: 'old', part: null, proof: 'held', thicknessMm: null }] as const
  const entries = [
    ['job.opened', opening],
    [
      'ident.chosen',
      { ...identified, listNumber: 'K-4438-2S', specRev: sheets.specRev, buildRev: sheets.buildRev },
    ],
    ...loose.map(({ code, tray }) => ['part.off', { position: code, tray }] as const),
    ...Array.from(
      { length: 400 },
      (_, i) => ['reading.taken', reading((13 + (i % 10) / 10).toFixed(1), 'in')] as const,
    ),
    ...Array.from(
      { length: 60 },
      (_, i) =>
        [
          'photo.taken',
          {
            photo: i.toString(16).padStart(64, '0'),
            thumb: (i + 100).toString(16).padStart(64, '0'),
            width: 1600,
            height: 1200,
            step: 'teardown',
            position: positions[i]!.code,
            words: '',
          },
        ] as const,
    ),
    ...loose.slice(0, 80).map(({ code }) => on(code)),
  ] as const
  const log = entries.map(([kind, data], i) => placed(unsent(i + 1, kind, data as never), i + 1))
  return { sheets, log, next: unsent(log.length + 1, ...on(loose.at(-1)!.code)) }
}

/** What a tap asks for before the screen can be drawn again: is it admitted, the log folded with it, where the job stands, its gate. */
export function tap({ sheets, log, next }: LargeJob): number {
  const all = { 1: sheets }
  if (admit(fold(JOB, log), next, all)) throw new Error('not admitted')
  const state = fold(JOB, [...log, placed(next, log.length + 1)])
  currentStation(state, all, 1)
  return gatePoints(state, all).length
}

/** The same by the definition: each entry admitted in turn by the log folded before it. */
export function byDefinition({ sheets, log, next }: LargeJob): number {
  const all = { 1: sheets }
  for (const [i, entry] of log.entries()) {
    if (i % 10 !== 0) continue
    admit(fold(JOB, log.slice(0, i)), entry, all)
  }
  return tap({ sheets, log, next })
}
