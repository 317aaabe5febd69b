import { screwKindOf, type PartKind, type Sheets } from '../../sheets/index.ts'
import { familyOf, passagePlans } from '../../unit/families/index.ts'
import type { Cause } from './causes.ts'

type Unit = Pick<Sheets, 'build' | 'spec'>

/** What some causes need, and what changes how others are said. */
export type UnitThing =
  /** fuel by a pump, or by its own fall */
  | 'pump feed'
  | 'gravity feed'
  /** a slide that the hand lifts, with no plate behind it */
  | 'lifted slide'
  /** a slide in the bore, lifted or pulled up: no governor works it */
  | 'no slide'
  /** an enriching plunger instead of a choke plate */
  | 'enricher'
  /** a choke with a thermostatic coil, so heat from the engine; or none */
  | 'heat'
  | 'no heat'
  /** holes that feed past the idle as the throttle opens */
  | 'transfer'
  | 'no washer'
  | 'no pump'
  | 'no drop'
  | 'no diaphragm'

const usual: ReadonlySet<UnitThing> = new Set(['pump feed', 'heat', 'transfer', 'no slide'])

/** Whether a unit has it; where no sheet says what it is, what most have. */
export function unitHas(unit: Unit | undefined, thing: UnitThing): boolean {
  if (!unit) return usual.has(thing)
  const { positions } = unit.build
  const none = (kind: PartKind) => !positions.some((one) => one.kind === kind)
  switch (thing) {
    case 'pump feed':
      return unit.spec.supply.feed === 'pump'
    case 'gravity feed':
      return unit.spec.supply.feed === 'gravity'
    case 'lifted slide':
      return familyOf(unit) === 'slide'
    case 'no slide':
      return familyOf(unit) !== 'slide' && familyOf(unit) !== 'diaphragm'
    case 'no washer':
      return none('washer')
    case 'no pump':
      return none('pump')
    case 'no diaphragm':
      return none('diaphragm')
    case 'no drop':
      return !unit.spec.settings.some(({ code }) => code === 'float.drop')
    case 'enricher':
      return positions.some(
        ({ kind, code, name }) => kind === 'slide' && /choke|enrich/i.test(`${code} ${name}`),
      )
    case 'heat':
    case 'no heat':
      return none('coil') === (thing === 'no heat')
    case 'transfer':
      return passagePlans[familyOf(unit)].passages.some(({ id, to }) => id === 'transfer' && to === 'T')
  }
}

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
