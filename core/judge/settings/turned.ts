import { showTurns } from '../../measure/index.ts'
import { refuse, type Result } from '../../base/refusal/index.ts'
import type { Remedy } from '../../log/index.ts'

/** A screw that is counted out from lightly seated: how far it is off, which way it goes, and the turn that puts it right. */
export interface Turned {
  eighths: number
  way: 'in' | 'out'
  headline: string
  /** `says` stands after the turn, what that way does on this unit */
  remedy: (says?: string) => Remedy
}

/** Where a count stands by its base, eighths. Refuses `reading` beyond what thread and taper allow. */
export function turnedOff(value: number, mostEighths: number, off: number): Result<Turned> {
  if (value > mostEighths)
    return refuse(
      'reading',
      `Thread and taper end at ${showTurns(mostEighths)} turns. Count again from the seat.`,
    )
  const eighths = Math.abs(off)
  const way = off < 0 ? 'out' : 'in'
  const short = `${showTurns(eighths)} ${way}`
  return {
    eighths,
    way,
    headline: `${showTurns(eighths)} too far ${way === 'out' ? 'in' : 'out'}.`,
    remedy: (says = '') => ({
      action: 'turn screw',
      of: 'screw',
      way,
      amount: eighths,
      unit: 'eighths',
      words: `Turn it ${short}${says}.`,
      detail: 'counted from lightly seated; the tip marks its seat',
      short,
    }),
  }
}
