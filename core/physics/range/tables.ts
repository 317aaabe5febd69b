import type { RangeFamily } from './state.ts'

/** The openings of the tables: shares of the throttle's travel (`docs/physics.md` 23). */
export const OPENINGS = [0, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 3 / 4, 1] as const

type Row = readonly number[]

/** The idle circuit's share of the fuel. */
export const IDLE_SHARE: Readonly<Record<RangeFamily, Row>> = {
  plate: [1, 0.7, 0.5, 0.22, 0.07, 0.04, 0.03],
  slide: [1, 0.6, 0.4, 0.23, 0.09, 0.05, 0.04],
  cv: [1, 0.72, 0.55, 0.35, 0.15, 0.09, 0.07],
}
/** The depression at the main jet where nobody measured it, kPa. */
export const FAMILY_SIGNAL: Readonly<Record<RangeFamily, Row>> = {
  plate: [0.06, 0.06, 0.1, 0.23, 0.55, 0.95, 1.4],
  slide: [0.09, 0.09, 0.2, 0.36, 0.55, 0.85, 1.15],
  cv: [0.07, 0.07, 0.12, 0.27, 0.7, 1.3, 1.9],
}
/** By what power the main circuit follows its main jet where a needle stands before it that nobody measured. */
export const MAIN_BEHIND_NEEDLE: Readonly<Record<'slide' | 'cv', Row>> = {
  slide: [0.2, 0.25, 0.28, 0.42, 0.64, 0.75, 0.8],
  cv: [0.5, 0.6, 0.62, 0.65, 0.7, 0.75, 0.78],
}
/** By what power the idle circuit follows the mixture screw's opening. */
export const SCREW: Row = [0.7, 0.25, 0.15, 0.06, 0.06, 0.06, 0.06]
/** How far off the wanted mixture may be: the screw trims idle. */
const TOLERANCE: Row = [0.15, 0.06, 0.05, 0.03, 0.03, 0.03, 0.03]

/** A table between its openings, linear. */
export function along(row: Row, opening: number): number {
  for (let i = 1; i < OPENINGS.length; i++) {
    const [x0, x1] = [OPENINGS[i - 1]!, OPENINGS[i]!]
    if (opening <= x1) return row[i - 1]! + ((row[i]! - row[i - 1]!) * (opening - x0)) / (x1 - x0)
  }
  return row.at(-1)!
}

/** How far off the wanted mixture an opening may be, a share. */
export const toleranceAt = (opening: number): number => along(TOLERANCE, opening)

/** By what power a circuit follows each of its bores' areas where bleed, outlet or needle are not known (`docs/physics.md` 21). */
export const POWER = { main: 0.9, idle: 0.92, idleBleed: -0.36, screw: 0.7 } as const

/** From this difference in their shares of ethanol on two fuels are not the same fuel but for a size of the jets. */
export const ANOTHER_FUEL = 0.2
