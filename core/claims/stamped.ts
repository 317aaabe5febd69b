import { FEATURE_NAMES, type Sheets } from '../sheets/index.ts'
import { ALPHABET, LOOKALIKES, readMark } from '../identify/index.ts'
import { bodyOf, type JobState } from '../log/index.ts'
import { figure } from '../measure/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import type { Claim } from './claim.ts'
import { seenClaim } from './identity.ts'

/** What the library says a list number bears and measures. */
export interface StampedMark {
  listNumber: string
  mark: string
  features: Readonly<Record<string, string | number>>
}

/** A body's list number, and the one of its lower half where that is another. */
export interface StampedHalves {
  upper: StampedMark
  lower: StampedMark | null
}

/** Which half of a unit a mark is read on. */
const LOWER_PLACES: ReadonlySet<string> = new Set(['body', 'base'])
/** What is measured of the lower half: the bore that the throttle shuts. */
const LOWER_FEATURES: ReadonlySet<string> = new Set(['throttleBoreMm', 'flangeBoltSpacingMm'])
/** Drafts and barrels have claims of their own; an engine is what the customer says. */
const ELSEWHERE: ReadonlySet<string> = new Set(['draft', 'barrels', 'engineL'])

/** So many of the gauge's σ, and this share of the value, a measure may lie off before it speaks against a list number. */
const SIGMAS = 4
const SHARE = 0.02

/** Marks and measures that were taken of a body fit the list number of their half. What was crossed out says nothing. */
export function stampedClaims(
  state: JobState,
  { spec }: Sheets,
  body: number,
  { upper, lower }: StampedHalves,
): Claim[] {
  if (spec.taught) return []
  const here = bodyOf(state, body)
  const isStruck = (what: string) => here.evidence[what] === 'struck'
  const claim = (subject: string, name: string, entry: string, against: string | null) =>
    seenClaim({ body, subject, name, shownBy: [entry], against: against ?? '', value: against ?? '' })
  const marks = Object.entries(here.marks).flatMap(([place, { text, entry }]) => {
    const half = LOWER_PLACES.has(place) && lower ? lower : upper
    if (text === '' || half.mark === '' || isStruck(`mark:${place}`)) return []
    const against = speaksAgainst(text, half.mark)
      ? `${text} was read on the ${place}, ${half.listNumber} has ${half.mark}`
      : null
    return [claim(`mark.${place}`, `Mark on the ${place}`, entry, against)]
  })
  const features = Object.entries(here.features).flatMap(([feature, { value, raw, sigma, entry }]) => {
    const half = LOWER_FEATURES.has(feature) && lower ? lower : upper
    const wanted = half.features[feature]
    if (wanted === undefined || ELSEWHERE.has(feature) || isStruck(`feature:${feature}`)) return []
    const off =
      typeof value === 'number' && typeof wanted === 'number'
        ? Math.abs(value - wanted) > SIGMAS * (sigma ?? 0) + SHARE * wanted
        : String(value) !== String(wanted)
    const name = FEATURE_NAMES[feature] ?? feature
    const should = typeof wanted === 'number' ? figure(wanted, 1) : wanted
    return [claim(feature, name, entry, off ? `${name} ${raw}, ${half.listNumber} has ${should}` : null)]
  })
  return [...marks, ...features]
}

/** Whether a mark, read whole, is another than a number's: a figure that wear can make of its own is none. What was not read says nothing. */
function speaksAgainst(text: string, mark: string): boolean {
  const tokens = readMark(text)
  if (isRefusal(tokens) || tokens.some(({ kind }) => kind === 'run')) return false
  const own = [...mark.toUpperCase().replace(/\s+/g, '')].map((symbol) => ALPHABET.indexOf(symbol))
  if (own.length !== tokens.length) return false
  return tokens.some(
    (token, i) =>
      (token.kind === 'one' || token.kind === 'either') &&
      !token.symbols.some((symbol) => symbol === own[i] || LOOKALIKES[own[i]!]?.includes(symbol)),
  )
}
