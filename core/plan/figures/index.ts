import { choke, leak, pump, turns } from './bench.ts'
import { bend, drop, level, washer } from './float.ts'
import { gap } from './gap.ts'
import type { FigureKind } from './kind.ts'
import { altitude, fuel } from './place.ts'
import { units } from './units.ts'

export { worked, type Field, type FigureKind, type Near, type Shape, type Worked } from './kind.ts'

/** Every calculation that can be asked without a job, as its tabs stand. */
export const figureKinds: readonly FigureKind[] = [
  level,
  bend,
  washer,
  drop,
  pump,
  gap,
  choke,
  altitude,
  fuel,
  leak,
  turns,
  units,
]
