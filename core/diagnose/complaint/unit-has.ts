import type { PartKind, Sheets } from '../../sheets/index.ts'
import { familyOf, passagePlans } from '../../unit/families/index.ts'

export type Unit = Pick<Sheets, 'build' | 'spec'>

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

/** What a unit must have to have a cause, and how it is said of one that has something else. */
export interface SaidByUnit {
  needs?: UnitThing
  saidWith?: readonly { has: UnitThing; finding?: string; look?: string }[]
}

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
