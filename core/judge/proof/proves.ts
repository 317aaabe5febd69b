import type { ProofMeasured } from '../../log/index.ts'

const WEEP_LEAST_S = 600
const STROKES = 10
const LIFTS = 10

/** How many, and how long: what a proof asks at least. */
export const leastOf = { weepSeconds: WEEP_LEAST_S, strokes: STROKES, lifts: LIFTS } as const

/** How far apart readings stand. */
export const spreadOf = (readings: readonly number[]): number => Math.max(...readings) - Math.min(...readings)

/** Whether what was measured proves it. Nothing else does: no entry says 'proved' by itself. */
export function proves(measured: ProofMeasured): boolean {
  switch (measured.what) {
    case 'hold':
      return measured.verdict !== 'wait' && measured.verdict !== 'open' && measured.high <= measured.limit
    case 'lifts':
      return measured.of >= LIFTS && measured.clean === measured.of
    case 'level':
      return measured.belowFace >= measured.lo && measured.belowFace <= measured.hi
    case 'weep':
      return (
        measured.tapped &&
        measured.places.length > 0 &&
        measured.seconds >= Math.max(WEEP_LEAST_S, measured.wanted) &&
        measured.places.every(({ wetAt }) => wetAt === null)
      )
    case 'pump':
      return (
        measured.atOnce &&
        measured.strokes >= STROKES &&
        measured.ml > 0 &&
        (measured.lo === null || measured.ml >= measured.lo) &&
        (measured.hi === null || measured.ml <= measured.hi)
      )
    case 'travel':
      return (
        measured.secondsTo95 !== null &&
        measured.secondsTo95 <= measured.limit &&
        (measured.amps === null ||
          ((measured.ampsLo === null || measured.amps >= measured.ampsLo) &&
            (measured.ampsHi === null || measured.amps <= measured.ampsHi))) &&
        fallsWarm(measured.amps, measured.ampsHot)
      )
    case 'seen':
      return measured.yes
    case 'alike':
      return measured.readings.length > 1 && spreadOf(measured.readings) <= measured.allowed
  }
}

/** A heater draws less once it is warm; one whose current stays does not heat, or is bridged. True where either was not read. */
export const fallsWarm = (cold: number | null, hot: number | null | undefined): boolean =>
  cold === null || hot == null || hot < cold * WARM_SHARE
const WARM_SHARE = 0.95
