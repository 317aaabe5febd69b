import type { Position } from './schemas.ts'

/** Said where a bowl is opened and wherever parts are washed. Defers to local rules. */
export const SOAKED_CLOTHS = 'Cloths soaked with fuel go into a lidded metal bin, and out as local rules say.'

/** What to mind while a part comes off; where it opens the bowl, what becomes of the cloths that soak up its fuel. */
export const cautionsOff = (position: Position): readonly string[] =>
  position.kind === 'cover' ? [...position.cautions, SOAKED_CLOTHS] : position.cautions

/** What to mind while a part goes on. A sheet that names none has none: those of taking it off do not hold then. */
export const cautionsOn = (position: Position): readonly string[] => position.onCautions ?? []
