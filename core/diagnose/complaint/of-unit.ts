import { screwKindOf } from '../../sheets/index.ts'
import type { Cause } from './cause.ts'
import { unitHas, type Unit } from './unit-has.ts'

export interface OfUnit {
  finding: string
  look: string
  /** the positions of the build sheet that would bear the finding */
  positions: string[]
}

/** A cause as this unit can have it, in words that hold for it; null where it cannot. */
export function causeOfUnit(
  cause: Pick<Cause, 'finding' | 'look' | 'needs' | 'saidWith'> &
    Partial<Pick<Cause, 'kinds' | 'at' | 'without' | 'lookBy'>>,
  unit: Unit | undefined,
): OfUnit | null {
  const { needs, kinds = [], at, without } = cause
  if (needs && !unitHas(unit, needs)) return null
  const positions = unit
    ? unit.build.positions
        .filter(({ kind, code, name }) => kinds.includes(kind) && (at?.test(`${code} ${name}`) ?? true))
        .map(({ code }) => code)
    : []
  if (unit && kinds.length > 0 && positions.length === 0) return without ? { ...without, positions } : null
  const kind = unit && screwKindOf(unit.spec)
  const said = (cause.saidWith ?? []).find(({ has }) => unitHas(unit, has))
  return {
    finding: said?.finding ?? cause.finding,
    look: said?.look ?? ((kind && cause.lookBy?.[kind]) || cause.look),
    positions,
  }
}
