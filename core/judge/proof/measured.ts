import type { Law } from './laws.ts'

/** What a proof was measured at: one shape for each way of proving, with the band that it was held against. */
export type Measured =
  /** a pressure or a vacuum shut in and watched; kPa, mL, mL/min at the air's pressure */
  | {
      what: 'hold'
      side: 'pressure' | 'vacuum'
      fromKpa: number
      toKpa: number
      seconds: number
      volumeMl: number
      limit: number
      leak: number
      low: number
      high: number
      verdict: 'tight' | 'slow' | 'settling' | 'open' | 'wait'
      law: Law
      popOffKpa: number | null
      reseatKpa: number | null
    }
  /** lifts of the needle, and how many of them came back clean */
  | { what: 'lifts'; clean: number; of: number; spreadKpa: number | null }
  /** fuel below the face on the wet bench, mm, with what it was read under */
  | {
      what: 'level'
      belowFace: number
      expected: number
      lo: number
      hi: number
      pressureKpa: number
      densityKgM3: number
      tiltDeg: number
      atEngine: number | null
    }
  /** places watched for weep; `wetAt` is when one was seen wet, s */
  | {
      what: 'weep'
      seconds: number
      wanted: number
      tapped: boolean
      places: { name: string; wetAt: number | null }[]
    }
  /** the pump's strokes; without a band there is nothing to hold the volume against */
  | { what: 'pump'; ml: number; strokes: number; atOnce: boolean; lo: number | null; hi: number | null }
  /** an electric coil or a heated enricher, timed; current in A where it was read */
  | {
      what: 'travel'
      samples: [seconds: number, travel: number][]
      gain: number
      secondsTo95: number | null
      limit: number
      amps: number | null
      ampsLo: number | null
      ampsHi: number | null
      /** once it is warm; measurements of before lack it */
      ampsHot?: number | null | undefined
    }
  /** what a hand or an eye says */
  | { what: 'seen'; yes: boolean; words: string }
  /** one reading a body of a bank, and how far apart they may stand; turns made since the try before, one a coupler */
  | { what: 'alike'; unit: string; readings: number[]; lead: number; allowed: number; turned: number[] }

const WEEP_LEAST_S = 600
const STROKES = 10
const LIFTS = 10

/** How many, and how long: what a proof asks at least. */
export const leastOf = { weepSeconds: WEEP_LEAST_S, strokes: STROKES, lifts: LIFTS } as const

/** How far apart readings stand. */
export const spreadOf = (readings: readonly number[]): number => Math.max(...readings) - Math.min(...readings)

/** Whether what was measured proves it. Nothing else does: no entry says 'proved' by itself. */
export function proves(measured: Measured): boolean {
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
