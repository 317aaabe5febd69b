import {
  ALPHABET,
  DEFAULT_MODEL,
  HYPHEN,
  LOOKALIKES,
  openCatalogue,
  rank,
  symbolsOf,
  type Candidate,
} from '@ekrond/core/identify'
import { isRefusal } from '@ekrond/core/base/refusal'
import { seeded, type Seeded } from '../demo/list-numbers.ts'

const LETTERS = 'ABCDEFGHKLMN'
const FAMILIES_EACH = 6
const BORES_EACH = 4
const KINDS: Readonly<Record<string, readonly (string | number)[]>> = {
  draft: ['down', 'side', 'up'],
  barrels: [1, 2, 4],
  chokeKind: ['coil, hot air', 'plate, cable', 'enricher, lever'],
  inletThread: ['5/8', 'hose', '7/8'],
  material: ['zinc', 'aluminium'],
}
const model = DEFAULT_MODEL

export interface Trial {
  /** list numbers in the catalogue */
  entries: number
  /** held-out units that are none of it, and units of it */
  absent: number
  present: number
  /** how many features are seen on each */
  features: number
  seed: number
}

/** What was said of 'none of these': of each unit that the catalogue lacks, and of each that it has. */
export interface Said {
  ofAbsent: number[]
  ofPresent: number[]
}

/** What was said between two chances, and what it was, by the model's share of absent units. */
export interface Band {
  said: number
  was: number
  /** how far `was` is uncertain by the number of units */
  sigma: number
  /** the share of all units */
  share: number
}

/**
 * Whether 'none of these' is as often true as it says. Units of twelve makers with six families each, whose features come together and
 * whose numbers are each maker's own way of numbering; one reading of each, worn exactly as the wear channel says (`docs/formats.md`,
 * identify), with as many features, a wrong maker and gauge errors by the model too.
 */
export function calibration({ entries, absent, present, features, seed }: Trial): Said {
  const random = seeded(seed)
  const make = maker(random)
  const known = new Set<string>()
  const fresh = (id: number): Candidate => {
    const unit = make(id)
    const name = `${unit.maker} ${unit.mark}`
    return known.has(name) ? fresh(id) : unit
  }
  const candidates = Array.from({ length: entries }, (_, id) => {
    const unit = fresh(id)
    known.add(`${unit.maker} ${unit.mark}`)
    return unit
  })
  const catalogue = openCatalogue(candidates)
  const said = (unit: Candidate): number => {
    const names = Object.keys(unit.features)
    while (names.length > features) names.splice(int(random, names.length), 1)
    const mark = worn(random, unit.mark)
    const ranked = rank(catalogue, {
      marks: mark ? [mark] : [],
      maker: random.next() < model.makerRight ? unit.maker : `M${int(random, LETTERS.length)}`,
      features: Object.fromEntries(names.map((name) => [name, looked(random, unit, name)])),
    })
    if (isRefusal(ranked)) throw new Error(ranked.refused.why)
    return ranked.pNone
  }
  return {
    ofAbsent: Array.from({ length: absent }, (_, i) => said(fresh(entries + i))),
    ofPresent: Array.from({ length: present }, () => said(random.pick(candidates))),
  }
}

/** Of all to whom it gave a chance from `low` on and below `high`; null where there is nobody. */
export function band({ ofAbsent, ofPresent }: Said, low: number, high: number): Band | null {
  const within = (ps: readonly number[]) => ps.filter((p) => p >= low && p < high)
  const a = within(ofAbsent)
  const b = within(ofPresent)
  const each = model.absent / ofAbsent.length
  const eachPresent = (1 - model.absent) / ofPresent.length
  const share = a.length * each + b.length * eachPresent
  if (share === 0) return null
  const was = (a.length * each) / share
  return {
    said: (sum(a) * each + sum(b) * eachPresent) / share,
    was,
    sigma: was * (1 - was) * Math.sqrt(1 / Math.max(1, a.length) + 1 / Math.max(1, b.length)),
    share,
  }
}

/** The trial in words: what was said and what was, a line for each tenth. */
export function calibrationLines(trial: Trial): string[] {
  const percent = (p: number) => `${(100 * p).toFixed(1)} %`
  const said = calibration(trial)
  const shareOf = (ps: readonly number[], fits: (p: number) => boolean) =>
    percent(ps.filter(fits).length / ps.length)
  return [
    `none of these: ${trial.entries.toLocaleString('en')} list numbers, ${trial.features} features seen`,
    `absent, called so with more than one half: ${shareOf(said.ofAbsent, (p) => p > 0.5)}; present, with less than a tenth: ${shareOf(said.ofPresent, (p) => p < 0.1)}`,
    ...Array.from({ length: 10 }, (_, i) => {
      const tenth = band(said, i / 10, i === 9 ? Infinity : (i + 1) / 10)
      const what = `${i * 10} to ${i * 10 + 10} %`
      return tenth
        ? `${what}: said ${percent(tenth.said)}, was ${percent(tenth.was)} ±${percent(tenth.sigma)}, ${percent(tenth.share)} of all`
        : `${what}: nobody`
    }),
  ]
}

/** Units as makers make them: a family's features together, its four bores, the maker's letter and digits, a suffix now and then. */
function maker(random: Seeded): (id: number) => Candidate {
  const families = [...LETTERS].flatMap((letter, m) =>
    Array.from({ length: FAMILIES_EACH }, () => ({
      maker: `M${m}`,
      letter,
      digits: 3 + (m % 3),
      bores: Array.from({ length: BORES_EACH }, () => round(random.between(18, 38, 0.1))),
      kinds: Object.fromEntries(Object.entries(KINDS).map(([name, kinds]) => [name, random.pick(kinds)])),
    })),
  )
  return (id) => {
    const { maker: by, letter, digits, bores, kinds } = random.pick(families)
    const bore = random.pick(bores)
    const number = Array.from({ length: digits }, () => int(random, 10)).join('')
    const suffix = random.next() < 0.5 ? `-${1 + int(random, 9)}` : ''
    return {
      id: String(id),
      maker: by,
      mark: `${letter}-${number}${suffix}${random.next() < 0.15 ? 'S' : ''}`,
      weight: 1,
      features: {
        ...kinds,
        throttleBoreMm: bore,
        venturiMm: round(0.8 * bore),
        flangeBoltSpacingMm: round(2.4 * bore),
      },
    }
  }
}

/** A mark as the wear channel leaves it. */
export function worn(random: Seeded, mark: string): string {
  let symbols = symbolsOf(mark)
  if (random.next() < model.runLost) {
    const gone = 1 + int(random, Math.floor(symbols.length / 2))
    symbols = random.next() < 0.5 ? symbols.slice(gone) : symbols.slice(0, -gone)
  }
  return symbols.map((symbol) => read(random, symbol)).join('')
}

function read(random: Seeded, symbol: number): string {
  const alike = LOOKALIKES[symbol]!
  const here = ALPHABET[symbol]!
  let left = random.next()
  const falls = (share: number) => (left -= share) < 0
  if (falls(symbol === HYPHEN ? model.hyphenLost : model.dropped)) return ''
  if (falls(model.unreadable)) return '?'
  if (falls(model.inserted)) {
    const stranger = ALPHABET[int(random, ALPHABET.length - 1)]!
    return random.next() < 0.5 ? stranger + here : here + stranger
  }
  if (falls(model.other)) {
    const others = [...ALPHABET].filter((_, other) => other !== symbol && !alike.includes(other))
    return random.pick(others)
  }
  return alike.length > 0 && falls(model.lookalike) ? ALPHABET[random.pick(alike)]! : here
}

/** A feature as it is looked at: a gauge's error on a length, now and then another kind. */
function looked(random: Seeded, { features }: Candidate, name: string): string | number {
  const value = features[name]!
  const sigma = model.sigma[name]
  if (sigma !== undefined) {
    const normal = Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
    return Number(value) + sigma * normal
  }
  if (random.next() >= model.categoryError) return value
  return random.pick(
    Object.entries(KINDS)
      .find(([kind]) => kind === name)![1]
      .filter((one) => one !== value),
  )
}

const int = (random: Seeded, below: number): number => Math.floor(random.next() * below)
const round = (mm: number): number => Math.round(10 * mm) / 10
const sum = (values: readonly number[]): number => values.reduce((total, one) => total + one, 0)
