import { runBands, type BlipPart, type RunBand, type RunEntry } from '../../log/index.ts'
import { figure, plainNumber } from '../../measure/index.ts'
import { mixturePeak, type ScrewKind } from '../../physics/mixture/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'

export interface ScrewRun {
  /** turns out from seated of the fastest idle, with its standard error */
  peak: number
  sigma: number
  leanDropAt: number
  leaner: 'in' | 'out'
}

/** Speed that a screw is to bring by a whole turn, or it changes nothing, rpm and kPa. */
const SOMETHING = { rpm: 12, kPa: 0.4 } as const
const WHOLE_TURN = 0.99
const Z = 1.96

const ofScrew = (run: readonly RunEntry[], screw: string) =>
  run.flatMap((one) => (one.what === 'mixture' && one.screw === screw ? [one] : []))

/**
 * Where one screw's idle is fastest, from its readings in the run log, with the error that leaving out one reading at a time shows
 * (jackknife), and where the speed has dropped by `drop` on the lean side. Refuses as `mixturePeak`, and a screw that changes nothing.
 */
export function screwRun(
  run: readonly RunEntry[],
  screw: string,
  kind: ScrewKind,
  drop: number,
): Result<ScrewRun> {
  const readings = ofScrew(run, screw)
  const samples = readings.map(({ turns, reading }) => [turns, reading] as const)
  const turns = samples.map(([t]) => t)
  const values = samples.map(([, n]) => n)
  const unit = readings[0]?.unit ?? 'rpm'
  if (
    samples.length >= 2 &&
    Math.max(...turns) - Math.min(...turns) >= WHOLE_TURN &&
    Math.max(...values) - Math.min(...values) < SOMETHING[unit]
  )
    return refuse(
      'samples',
      'This screw has no effect over a full turn: its circuit is blocked, or the throttle plate is past the transfer slot. Back off the throttle stop first.',
    )
  const whole = mixturePeak(samples, kind, drop)
  if (isRefusal(whole)) return whole
  const without = samples.flatMap((_, i) => {
    const one = mixturePeak(
      samples.filter((__, j) => j !== i),
      kind,
      0,
    )
    return isRefusal(one) ? [] : [one.peak]
  })
  const n = without.length
  const mean = without.reduce((sum, one) => sum + one, 0) / Math.max(1, n)
  const spread = without.reduce((sum, one) => sum + (one - mean) ** 2, 0)
  return {
    peak: whole.peak,
    sigma: n > 1 ? Math.sqrt(((n - 1) / n) * spread) : 0.25,
    leanDropAt: whole.leanDropAt,
    leaner: whole.leaner,
  }
}

/** Half-way between two stumbles, turns; null where there are not two. */
export function betweenStumbles(run: readonly RunEntry[], screw: string): number | null {
  const at = run.flatMap((one) => (one.what === 'stumble' && one.screw === screw ? [one.turns] : []))
  const [a, b] = at.slice(-2)
  return a === undefined || b === undefined || a === b ? null : (a + b) / 2
}

/** A screw is left no nearer to its seat than this, turns: closed that far its circuit says something else is wrong. */
const NEAREST_SEAT = 0.25
/** An answer that may lie further off than this, turns at 95 %, asks for more readings. */
const MOST_DOUBT = 0.35
/** A stumble is heard to an eighth of a turn, so the middle of two to this, turns. */
const STUMBLE_SIGMA = 0.125 / Math.SQRT2

export interface ScrewAnswer {
  /** turns out from seated where it is left */
  turns: number
  sigma: number
  rule: 'lean drop' | 'midpoint of two stumbles'
  leaner: 'in' | 'out'
}

/**
 * Where one screw is left, one answer by one rule: the middle of two stumbles where both were heard, else the lean drop from the
 * fastest idle. Refuses what is too uncertain to act on, and never leaves it on its seat: a screw that wants to be shut has its reason
 * elsewhere.
 */
export function screwAnswer(
  run: readonly RunEntry[],
  screw: string,
  kind: ScrewKind,
  drop: number,
): Result<ScrewAnswer> {
  const middle = betweenStumbles(run, screw)
  const leaner = kind === 'fuel' ? 'in' : 'out'
  const one: Result<ScrewAnswer> =
    middle === null
      ? byLeanDrop(screwRun(run, screw, kind, drop))
      : { turns: middle, sigma: STUMBLE_SIGMA, rule: 'midpoint of two stumbles', leaner }
  if (isRefusal(one)) return one
  if (Z * one.sigma > Math.max(MOST_DOUBT, one.turns))
    return refuse(
      'samples',
      `These readings place it only to ±${figure(Z * one.sigma, 2)} turns. Take one more on each side.`,
    )
  if (one.turns < NEAREST_SEAT)
    return refuse(
      'seat',
      kind === 'fuel'
        ? 'This screw wants to be shut: idle jet too large, fuel level too high, or idle air bleed blocked. Fix that first. Never leave it seated.'
        : 'This air screw wants to be shut: idle jet too small or blocked, or fuel level too low. Fix that first. Never leave it seated.',
    )
  return one
}

const byLeanDrop = (read: Result<ScrewRun>): Result<ScrewAnswer> =>
  isRefusal(read)
    ? read
    : { turns: read.leanDropAt, sigma: read.sigma, rule: 'lean drop', leaner: read.leaner }

/** Where a screw is left, in a sentence that names its rule. */
export const screwAnswerWords = ({ turns, sigma, rule, leaner }: ScrewAnswer, drop: number, unit: string) =>
  `Leave it ${figure(turns, 2)} ±${figure(Math.max(0.05, Z * sigma), 2)} turns out: ${
    rule === 'lean drop'
      ? `${figure(drop, drop < 1 ? 1 : 0)} ${unit} below the fastest idle, lean side`
      : rule
  }. ${leaner === 'in' ? 'In' : 'Out'} is leaner.`

export type Side = 'lean' | 'rich' | 'air leak'

export interface BandReading {
  band: RunBand
  side: Side | null
  /** what speaks for it */
  because: string[]
}

/** Which throttle position each part of a blip is heard at. */
const BAND_OF_BLIP: Readonly<Record<BlipPart, RunBand>> = {
  opening: 'just off idle',
  release: 'idle',
  after: 'idle',
  overrun: 'idle',
  steady: 'idle',
}

/**
 * What plugs and blip say, throttle position by throttle position. Plugs read after a run at one position decide there; where nobody
 * read them the parts of the blip do: a sag is rich, a hang lean or an air leak, a stumble on opening usually lean, with black smoke or
 * black plugs rich. Hunting says neither.
 */
export function readRun(run: readonly RunEntry[]): BandReading[] {
  const plugs = new Map<string, 'white' | 'tan' | 'black' | 'wet'>()
  const blips = new Map<BlipPart, RunEntry & { what: 'blip' }>()
  for (const one of run)
    if (one.what === 'blip') blips.set(one.part, one)
    else if (one.what === 'plug') plugs.set(one.band, one.colour)
  return runBands.flatMap((band): BandReading[] => {
    const colour = plugs.get(band)
    const because: string[] = []
    const sides: Side[] = []
    for (const [part, one] of blips) {
      if (!one.bad || BAND_OF_BLIP[part] !== band) continue
      const black = one.black === true || colour === 'black' || plugs.get('idle') === 'black'
      const [side, words] = blipSays(part, black)
      if (side) sides.push(side)
      because.push(words)
    }
    if (colour) because.unshift(PLUG_WORDS[colour])
    if (because.length === 0) return []
    const byPlugs = colour === 'white' ? 'lean' : colour === 'black' ? 'rich' : null
    return [{ band, side: colour && colour !== 'wet' ? byPlugs : sideOf(sides), because }]
  })
}

const PLUG_WORDS = {
  white: 'plugs white: lean',
  tan: 'plugs tan: right',
  black: 'plugs black and dry: rich',
  wet: 'plugs wet: not burnt. Spark first, then fuel',
} as const

function blipSays(part: BlipPart, black: boolean): [Side | null, string] {
  switch (part) {
    case 'opening':
      return black
        ? ['rich', 'a stumble on opening with black smoke or black plugs is rich']
        : ['lean', 'a stumble on opening is usually lean: pump, slide or transfer']
    case 'release':
      return ['air leak', 'a hang after release is lean, or an air leak']
    case 'after':
      return ['rich', 'a sag below idle after release is rich']
    case 'overrun':
      return ['lean', 'pops on deceleration: lean there, or air in the exhaust']
    case 'steady':
      return [null, 'hunting: an air leak, a blocked circuit, rich loping, or the governor']
  }
}

/** One side where all that speak are on it; a hang counts as lean beside another lean sign, and as an air leak by itself. */
function sideOf(sides: readonly Side[]): Side | null {
  const rich = sides.includes('rich')
  const lean = sides.includes('lean')
  const leak = sides.includes('air leak')
  if (rich) return lean || leak ? null : 'rich'
  return lean ? 'lean' : leak ? 'air leak' : null
}

/** Throttle positions that a change works on: as it was said, else by what was changed; all of them where neither tells. */
function bandsOf({ band, of }: RunEntry & { what: 'change' }): readonly RunBand[] {
  if (band) return [band]
  if (/pump|accelerator|slide cut|cutaway/i.test(of)) return ['just off idle']
  if (/idle|pilot|slow|mixture|bleed/i.test(of)) return ['idle', 'just off idle']
  if (/needle|clip|rod/i.test(of)) return ['middle']
  if (/main|power|jet/i.test(of)) return ['middle', 'wide open']
  return runBands
}

/** What is wrong with how it is gone about: a change against what that throttle position said, or two before anybody looked. */
export function runAlarms(run: readonly RunEntry[]): string[] {
  const alarms: string[] = []
  let open: string | null = null
  for (const [i, one] of run.entries()) {
    if (one.what === 'effect') open = null
    if (one.what !== 'change') continue
    const acts = bandsOf(one)
    const said = readRun(run.slice(0, i)).filter(({ band }) => acts.includes(band))
    if (open)
      alarms.push(
        `${one.of} was changed before anybody noted what ${open} did: nobody can tell which of them it was.`,
      )
    for (const { band, side } of said) {
      if (side === 'rich' && one.way === 'richer')
        alarms.push(`${one.of} makes it richer, but ${band} it was found rich.`)
      if ((side === 'lean' || side === 'air leak') && one.way === 'leaner')
        alarms.push(`${one.of} makes it leaner, but ${band} it was found lean.`)
      if (side === 'air leak' && one.way === 'richer')
        alarms.push(`${one.of} makes it richer, but the hang may be an air leak: find the leak first.`)
    }
    open = one.of
  }
  return alarms
}

/** Turns out from seated as they are typed, `1 1/2` or `1.5`; NaN where they are none, or outside 0 to 20. */
export function readTurnsOut(text: string): number {
  const mixed = /^(\d+\s+)?(\d+)\/(\d+)$/.exec(text.trim())
  const turns = mixed ? Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]) : plainNumber(text)
  return turns >= 0 && turns <= MOST_TURNS ? turns : NaN
}
const MOST_TURNS = 20
