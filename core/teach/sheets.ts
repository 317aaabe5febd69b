import { learnRatio } from '../float/learn.ts'
import { bodyOf, type BodyState, type JobState } from '../job/state.ts'
import type { OwnFact, OwnPart, Taught } from '../job/kinds/index.ts'
import { isRefusal } from '../refusal/index.ts'
import {
  OWN_REVISION,
  settingKey,
  type BuildSheet,
  type FloatGeometry,
  type Position,
  type SettingSpec,
  type Sheets,
  type SpecSheet,
} from '../sheets/index.ts'
import { facts } from './facts.ts'
import { levelSpread } from './spread.ts'
import { scaled } from './scale.ts'
import { standingOf } from './sources.ts'
import { withTries } from './tries.ts'

/** What a family lends: `core/families/templates`. */
export interface Borrowed {
  words: string
  spec: Pick<
    SpecSheet,
    | 'draft'
    | 'barrels'
    | 'mixture'
    | 'settings'
    | 'calibration'
    | 'float'
    | 'section'
    | 'level'
    | 'supply'
    | 'engine'
  >
  build: Pick<BuildSheet, 'trays' | 'positions'>
}

/** The fact that says that a unit has no such setting. */
export const noneOf = (key: string): string => `none:${key}`

/** Of a family of several barrels, what a unit with one has not. */
const SECOND = /(^|\/)(R|S)$/
const PRIOR_REL_SIGMA = 0.25
const MOST_EIGHTHS = 96

/**
 * A taught body's own sheets: its family's, with everything in place that its log says, and a list of what is only borrowed. A pure
 * function of the log and the family (`docs/decisions.md`, taught units).
 */
export function ownSheets(state: JobState, body: number, borrowed: Borrowed): Sheets {
  const here = bodyOf(state, body)
  const taught = here.taught!
  const { float, section } = floatOf(here, borrowed, taught)
  const settings = borrowed.spec.settings
    .filter(
      (setting) => fits(taught, setting.code, setting.place) && !here.ownFacts[noneOf(settingKey(setting))],
    )
    .map((setting) => withValue(state, body, readFrom(here, named(taught, setting))))
  const positions = positionsOf(here, taught, borrowed.build.positions)
  const pencil = pencilOf(here, positions)
  const ratio = ratioOf(here, float, pencil)
  const kind = here.ownFacts['mixture.kind']?.value
  const spec: SpecSheet = {
    listNumber: here.ident?.listNumber ?? taught.name,
    model: taught.family,
    modelName: `${borrowed.words}, taught here`,
    maker: taught.maker || 'maker not known',
    draft: borrowed.spec.draft,
    barrels: taught.barrels,
    mixture: {
      // Thread and taper of a unit that nobody knows: no count is turned down.
      mostEighths: MOST_EIGHTHS,
      kind: kind === 'fuel' || kind === 'air' ? kind : borrowed.spec.mixture.kind,
    },
    settings,
    calibration: calibrationOf(here, taught, borrowed.spec.calibration),
    float,
    pump: null,
    choke: null,
    section,
    level: borrowed.spec.level,
    supply: borrowed.spec.supply,
    engine: borrowed.spec.engine,
    supersedes: [],
    // Where the ports of a unit lie that nobody described, nobody knows.
    ports: [],
    taught: {
      family: borrowed.words,
      pencil,
      at: Object.fromEntries(
        Object.values(here.ownParts).flatMap(({ position, at }) => (at ? [[position, [at[0], at[1]]]] : [])),
      ),
      ratio,
      levelSigma: null,
    },
  }
  return {
    specRev: OWN_REVISION,
    buildRev: OWN_REVISION,
    spec: {
      ...spec,
      taught: { ...spec.taught!, levelSigma: levelSpread(spec, here.ownFacts)?.sigma ?? null },
    },
    build: { listNumber: spec.listNumber, trays: borrowed.build.trays, positions },
  }
}

/** Whether a unit with so many barrels and such a choke has the thing at all. */
function fits(taught: Taught, code: string, place: string): boolean {
  if (taught.barrels === 1 && (SECOND.test(code) || SECOND.test(place))) return false
  const coil = /^(choke\.coil|choke\.index|vacuumBreak)/.test(code)
  if (coil && taught.choke !== 'coil') return false
  if (/^choke\.(rod|cable)/.test(code) && (taught.choke === 'enricher' || taught.choke === 'none'))
    return false
  return !(/^choke\.plunger/.test(code) && taught.choke !== 'enricher')
}

/** With one barrel there is no left and no primary. */
const named = <T extends { name: string }>(taught: Taught, one: T): T =>
  taught.barrels === 1
    ? { ...one, name: one.name.replace(/, (left|primary)$/, '').replace(/s?, primary$/, '') }
    : one

/** Where the height is read from elsewhere than its family has it, the family's words for holding it do not hold. */
function readFrom(here: BodyState, setting: SettingSpec): SettingSpec {
  const said = here.ownFacts['float.sense']?.value
  if (setting.code !== 'float.height' || said === undefined) return setting
  const floor = said === 'from the floor'
  if (floor === /floor/.test(setting.datum)) return setting
  return floor
    ? {
        ...setting,
        held: 'upright',
        datum: 'bowl floor to the float’s underside',
        hold: 'Bowl upright and dry, the float lifted until the needle just seats. Gauge on the floor under the float.',
      }
    : {
        ...setting,
        datum: 'face, gasket off, to the float',
        hold: 'Gasket off, the float at rest on its shut needle, its spring not pressed. Caliper from the face to the float.',
      }
}

function withValue(state: JobState, body: number, setting: SettingSpec): SettingSpec {
  const { picked } = standingOf(state, body, setting)
  if (!picked) return setting
  const { asWritten, target, lo, hi, source, ground } = picked
  return { ...setting, asWritten, target, lo, hi, source, ground }
}

function positionsOf(here: BodyState, taught: Taught, usual: readonly Position[]): Position[] {
  const own = here.ownParts
  const known = usual
    .filter(({ code }) => fits(taught, code, code) && !own[code]?.absent)
    .map((position) => {
      const plain = named(taught, position)
      const said = own[position.code]
      return said
        ? { ...plain, ...asWritten(said, plain) }
        : { ...plain, part: bySample(plain.name, plain.kind) }
    })
  const codes = new Set(usual.map(({ code }) => code))
  const more = Object.values(own)
    .filter(({ position, absent }) => !codes.has(position) && !absent)
    .map((part) => newPosition(part, known))
  return [...known, ...more]
}

/** What a part is ordered by where nobody knows its number; a casting and a shaft are not bought. */
const bySample = (name: string, kind: Position['kind']): string | null =>
  kind === 'body' || kind === 'cover' || kind === 'shaft' ? null : `${name}, by sample`

const asWritten = (part: OwnPart, { underneath }: Position): Partial<Position> => ({
  name: part.name,
  kind: part.kind,
  circuit: part.circuit,
  quantity: part.quantity,
  part: part.part || bySample(part.name, part.kind),
  underneath: part.underneath || underneath,
})

/** A part that its family does not have: worked like others of its kind, in the layer in which it came off. */
function newPosition(part: OwnPart, usual: readonly Position[]): Position {
  const like = usual.find(({ kind }) => kind === part.kind)
  return {
    code: part.position,
    material: like?.material ?? 'not known',
    layer: part.layer ?? 1,
    group: like?.group ?? 'all',
    tray: like?.tray ?? usual[0]!.tray,
    step: like?.step ?? 'As it comes.',
    cautions: like?.cautions ?? [],
    always: part.kind === 'gasket',
    ethanolLimit: null,
    deciding: null,
    stays: false,
    proof: like?.proof ?? '',
    ...(asWritten(part, { underneath: '' } as Position) as Pick<
      Position,
      'name' | 'kind' | 'circuit' | 'quantity' | 'part' | 'underneath'
    >),
  }
}

/** Sizes as they were read on this unit; what nobody read has none. */
function calibrationOf(
  here: BodyState,
  taught: Taught,
  usual: SpecSheet['calibration'],
): SpecSheet['calibration'] {
  const bore = here.ownFacts['seat.bore']
  const written = Object.values(here.ownParts).filter(
    ({ kind, absent, mm, stamped }) => !absent && kind === 'jet' && (mm !== null || stamped !== ''),
  )
  const said = new Map(written.map((part) => [part.position, part]))
  const keyOf = (one: { code: string; place: string }) =>
    one.place === 'none' ? one.code : `${one.code}/${one.place}`
  const known = usual
    .filter((one) => fits(taught, one.code, one.place))
    .map((one) => {
      const part = said.get(keyOf(one))
      said.delete(keyOf(one))
      if (part)
        return { ...named(taught, one), mm: part.mm, words: part.stamped && `stamped ${part.stamped}` }
      return one.code === 'seat' && typeof bore?.value === 'number'
        ? { ...one, mm: bore.value }
        : named(taught, one)
    })
  return [
    ...known,
    ...[...said.values()].map((part) => ({
      code: part.position,
      place: 'none' as const,
      name: part.name,
      mm: part.mm,
      words: part.stamped && `stamped ${part.stamped}`,
    })),
  ]
}

const numberOf = (fact: OwnFact | undefined): number | undefined =>
  typeof fact?.value === 'number' ? fact.value : undefined

function floatOf(here: BodyState, { spec }: Borrowed, taught: Taught) {
  const said = here.ownFacts
  const arm = numberOf(said['float.arm'])
  const guided = taught.float === 'on a pin'
  const size = arm && !spec.float.guided ? arm / Math.hypot(...spec.float.measurePoint.at) : 1
  const { float, section } = scaled(spec.float, spec.section, size)
  const pin = numberOf(said['float.pin']) ?? float.pinBelowFace
  // A deeper float than its family's reaches lower from the point that is read.
  const deeper = (numberOf(said['float.depth']) ?? float.depth) - float.depth
  const floor = said['float.sense']?.value === 'from the floor'
  const sense = said['float.sense'] ? (floor ? -1 : 1) : float.sense
  const correction = said['float.correction']?.value
  const geometry: FloatGeometry = {
    ...float,
    ...(guided ? { guided: true } : {}),
    sense,
    pinBelowFace: pin,
    undersideY: float.undersideY - deeper,
    levelReading:
      sense === -1
        ? (numberOf(said['pin.floor']) ?? float.levelReading)
        : float.levelReading + (pin - float.pinBelowFace),
    tangArm: numberOf(said['float.tang']) ?? float.tangArm,
    correction:
      correction === 'tang' || correction === 'arm' || correction === 'washer' || correction === 'none'
        ? correction
        : 'tang',
    seatBore: numberOf(said['seat.bore']) ?? float.seatBore,
    floatMass: numberOf(said['float.mass']) ?? float.floatMass,
    planArea: numberOf(said['float.area']) ?? float.planArea,
    depth: numberOf(said['float.depth']) ?? float.depth,
  }
  return { float: geometry, section }
}

/** What nobody has seen on this unit: facts, and positions that neither came off nor were written. */
function pencilOf(here: BodyState, positions: readonly Position[]): string[] {
  return [
    ...facts.filter(({ code }) => !here.ownFacts[code]).map(({ code }) => code),
    ...positions
      .filter(({ code }) => !here.off[code] && !here.ownParts[code] && !here.findings[code])
      .map(({ code }) => `position:${code}`),
  ]
}

/** The ratio of reading and bend by all that is known: the family's as a prior, arms, tries. Null while the sense is not known. */
function ratioOf(
  here: BodyState,
  float: FloatGeometry,
  pencil: readonly string[],
): NonNullable<SpecSheet['taught']>['ratio'] {
  if (pencil.includes('float.sense') || float.guided) return null
  const rm = here.ownFacts['float.arm']
  const rt = here.ownFacts['float.tang']
  const tries = withTries(here, float.sense)
  const familyK = Math.hypot(...float.measurePoint.at) / float.tangArm
  const learned = learnRatio({
    sense: float.sense,
    target: 0,
    reading: 0,
    tries,
    prior: { k: familyK, relSigma: PRIOR_REL_SIGMA },
    ...(rm && rt
      ? {
          arms: {
            rm: rm.value as number,
            sigmaRm: rm.sigma ?? 0.3,
            rt: rt.value as number,
            sigmaRt: rt.sigma ?? 0.2,
          },
        }
      : {}),
  })
  if (isRefusal(learned)) return null
  return {
    k: learned.k,
    relSigma: learned.sigmaK / learned.k,
    tries: tries.length,
    arms: rm !== undefined && rt !== undefined,
  }
}
