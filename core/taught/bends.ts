import { plainNumber } from '../measure/index.ts'
import { refuse, type Result } from '../base/refusal/index.ts'

/** A bend at the tang, mm, and how sure a hand is of it. */
export interface TriedBend {
  mm: number
  sigma: number
}

/** A bend by eye is known to a third of itself; one that was measured to a twentieth of a millimetre. */
const BY_EYE = 1 / 3
const MEASURED_SIGMA = 0.05
const MOST_MM = 10

/** Bends as hands know them, by the tang's own thickness of some 0.9 mm. */
export const bends: readonly (TriedBend & { words: string })[] = (
  [
    [0.2, 'a nudge'],
    [0.3, 'a third of its thickness'],
    [0.45, 'half of it'],
    [0.9, 'its thickness'],
  ] as const
).map(([mm, words]) => ({ mm, sigma: mm * BY_EYE, words }))

/** A bend that somebody measured, mm. Refuses `text` outside 0 to 10. */
export function readBend(text: string): Result<TriedBend> {
  const mm = plainNumber(text)
  return mm > 0 && mm <= MOST_MM
    ? { mm, sigma: MEASURED_SIGMA }
    : refuse('text', 'Type how far in mm, as 0.35.')
}
