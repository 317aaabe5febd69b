import { partsTable } from './parts/index.ts'
import type { Position } from './schemas.ts'

/** What to mind while a part comes off; where it opens the bowl, what becomes of the cloths that soak up its fuel. */
export const cautionsOff = (position: Position): readonly string[] => [
  ...position.cautions,
  ...(partsTable[position.kind].cautionsOff ?? []),
]

const MAIN_JET = /^jet\.main/

/** Whether no unit runs without this part: it can be lost, and is never said not to be there. */
export const isNeeded = ({ code, kind }: Pick<Position, 'code' | 'kind'>): boolean =>
  partsTable[kind].needed === true || MAIN_JET.test(code)

/** What holds or seals a part as it goes on, and what that must not touch: by its sheet, else as for its kind; empty where nothing is said. */
export const aidOf = ({ aid, kind }: Pick<Position, 'aid' | 'kind'>): string =>
  aid ?? partsTable[kind].aid ?? ''

/** What to mind while a part goes on. A sheet that names none has none: those of taking it off do not hold then. */
export const cautionsOn = (position: Position): readonly string[] => position.onCautions ?? []
