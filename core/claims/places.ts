import { partsTable, type Sheets } from '../sheets/index.ts'
import { isSettled, type Claim, type ClaimState } from './claim.ts'

/** Where on a unit claims belong, as people call it, in the order in which they are told. */
const PLACES = {
  inlet: 'Inlet, needle, seat',
  float: 'Float',
  pump: 'Pump',
  slide: 'Slide, diaphragm',
  choke: 'Choke',
  jets: 'Jets',
  idle: 'Mixture, idle',
  cover: 'Cover, gasket',
  throttle: 'Throttle',
  body: 'Body, passages',
  outside: 'Ports',
} as const
export type PlaceName = keyof typeof PLACES

/** The claims of one place of the unit. */
export interface PlaceOfClaims {
  place: PlaceName
  name: string
  claims: readonly Claim[]
  /** positions by which the place is found on the drawing, the best first */
  at: readonly string[]
  /** the worst of its claims, which the mark at the part shows; null where all are settled */
  worst: Claim | null
}

const OF_PREFIX: Readonly<Record<string, PlaceName>> = {
  inlet: 'inlet',
  lifts: 'inlet',
  level: 'float',
  float: 'float',
  pump: 'pump',
  choke: 'choke',
  vacuumBreak: 'choke',
  vacuum: 'choke',
  electric: 'choke',
  enricher: 'choke',
  mixture: 'idle',
  screw: 'idle',
  idle: 'idle',
  throttle: 'throttle',
  airValve: 'throttle',
  slide: 'slide',
  cap: 'slide',
  needle: 'jets',
  rods: 'jets',
  weep: 'body',
}

const KINDS_WITHOUT_PLACE: ReadonlySet<Claim['of']> = new Set(['identity', 'supply', 'complaint'])

/** Claims by their place on the unit, those without one left out: each place with what of it is worst. */
export function placesOf(claims: readonly Claim[], { build }: Sheets): PlaceOfClaims[] {
  const kindOf = new Map(build.positions.map(({ code, kind }) => [code, kind]))
  const placeOf = (claim: Claim): PlaceName | null => {
    if (KINDS_WITHOUT_PLACE.has(claim.of)) return null
    if (claim.of === 'port') return 'outside'
    if (claim.of === 'passage') return 'body'
    const prefix = claim.subject.split(/[./]/)[0]!
    const kind = kindOf.get(claim.subject)
    // A link or a spring belongs to what it moves.
    if (kind === 'link' || kind === 'spring' || kind === 'screw')
      return OF_PREFIX[prefix] ?? partsTable[kind].place
    return kind ? partsTable[kind].place : (OF_PREFIX[prefix] ?? 'body')
  }
  const groups = new Map<PlaceName, Claim[]>()
  for (const claim of claims) {
    const place = placeOf(claim)
    if (place) groups.set(place, [...(groups.get(place) ?? []), claim])
  }
  const positionsAt = (place: PlaceName) =>
    build.positions
      .filter(({ code, kind }) =>
        kind === 'link' || kind === 'spring' || kind === 'screw'
          ? (OF_PREFIX[code.split(/[./]/)[0]!] ?? partsTable[kind].place) === place
          : partsTable[kind].place === place,
      )
      .map(({ code }) => code)
  return (Object.keys(PLACES) as PlaceName[]).flatMap((place) => {
    const own = groups.get(place)
    if (!own) return []
    const worst = worstOf(own)
    // What is turned and joined from outside is shown at the flange.
    const at =
      place === 'outside' ? ['flange.gasket', 'throttle.shaft', 'mixture', 'air.screw'] : positionsAt(place)
    return [
      {
        place,
        name: PLACES[place],
        claims: own,
        at: worst && at.includes(worst.subject) ? [worst.subject, ...at] : at,
        worst,
      },
    ]
  })
}

const WORST: readonly Claim['state'][] = ['contradicted', 'void', 'open']

/** The worst of several claims; null where all are settled. */
const worstOf = (claims: readonly Claim[]): Claim | null =>
  WORST.flatMap((state) => claims.filter((claim) => claim.state === state && !isSettled(claim)))[0] ?? null

/**
 * What a drawing marks at each part that somebody handled: the worst of its claims. A part that nobody touched yet bears no mark, and one
 * that is only still to be done neither: those are what the station is there for.
 */
export function marksOf(claims: readonly Claim[]): Record<string, ClaimState> {
  const marks: Record<string, ClaimState> = {}
  const ofParts = claims.filter(
    ({ of }) => of === 'part' || of === 'repair' || of === 'renewal' || of === 'fuel',
  )
  for (const code of new Set(ofParts.map(({ subject }) => subject))) {
    const own = ofParts.filter(({ subject }) => subject === code)
    const worst = worstOf(own)?.state
    if (worst === 'open') continue
    if (worst) marks[code] = worst
    else if (own.some(({ state }) => state === 'excepted')) marks[code] = 'excepted'
    else if (own.every(({ state, shownBy }) => state === 'shown' && shownBy.length > 0)) marks[code] = 'shown'
  }
  return marks
}

/** A kind of claims on the strip: how many are settled of how many, each as a mark. */
export interface CountOfClaims {
  name: string
  claims: readonly Claim[]
  settled: number
}

const STRIP: readonly (readonly [name: string, kinds: readonly Claim['of'][]])[] = [
  ['Parts', ['part', 'repair', 'renewal']],
  ['Passages', ['passage']],
  ['Joints', ['joint']],
  ['Settings', ['setting']],
  ['Tests', ['test']],
  ['Ports', ['port']],
  ['Identity', ['identity']],
  ['Fuel', ['fuel', 'supply']],
  ['Complaint', ['complaint']],
]

/** Claims kind by kind, those that were not asked for left out. */
export const countsOf = (claims: readonly Claim[]): CountOfClaims[] =>
  STRIP.flatMap(([name, kinds]) => {
    const own = claims.filter(({ of, state }) => kinds.includes(of) && state !== 'out of scope')
    return own.length ? [{ name, claims: own, settled: own.filter(isSettled).length }] : []
  })
