import type { RunEntry } from '../../log/index.ts'
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
      'This screw changes nothing over a whole turn: its circuit is blocked, or the plate stands past the transfer slot. Throttle stop back first.',
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

/** A run of one screw in a sentence. */
export const screwRunWords = (
  { peak, sigma, leanDropAt, leaner }: ScrewRun,
  drop: number,
  unit: string,
): string =>
  `Fastest at ${figure(peak, 2)} ±${figure(Math.max(0.05, Z * sigma), 2)} turns out. ${figure(drop, drop < 1 ? 1 : 0)} ${unit} down on the lean side is ${figure(leanDropAt, 2)}: ${leaner} is leaner here.`

/** Half-way between two stumbles, turns; null where there are not two. */
export function betweenStumbles(run: readonly RunEntry[], screw: string): number | null {
  const at = run.flatMap((one) => (one.what === 'stumble' && one.screw === screw ? [one.turns] : []))
  const [a, b] = at.slice(-2)
  return a === undefined || b === undefined || a === b ? null : (a + b) / 2
}

export interface Reading {
  side: 'lean' | 'rich' | 'air leak' | null
  /** what speaks for it */
  because: string[]
}

/**
 * What the blip, the overrun and the plugs say together: each part by itself, and the side that most of them are on. A hang alone is lean
 * or an air leak; hunting says neither.
 */
export function readRun(run: readonly RunEntry[]): Reading {
  const last = new Map<string, RunEntry>()
  for (const one of run)
    if (one.what === 'blip') last.set(`blip ${one.part}`, one)
    else if (one.what === 'plug') last.set(`plug ${one.band}`, one)
  let lean = 0
  let rich = 0
  let hangs = false
  const because: string[] = []
  for (const one of last.values()) {
    if (one.what === 'blip' && one.bad) {
      if (one.part === 'opening') {
        lean += 1
        because.push('a stumble on opening is lean: pump, slide or transfer')
      } else if (one.part === 'release') {
        lean += 1
        hangs = true
        because.push('a hang after release is lean, or an air leak')
      } else if (one.part === 'after') {
        rich += 1
        because.push('a sag below idle after release is rich')
      } else if (one.part === 'overrun') {
        lean += 0.5
        because.push('pops on the overrun: lean there, or air in the exhaust')
      } else because.push('hunting: an air leak, a blocked circuit, rich loping, or the governor')
    }
    if (one.what === 'plug') {
      if (one.colour === 'white') {
        lean += 1
        because.push(`plugs white, ${one.band}: lean`)
      } else if (one.colour === 'black') {
        rich += 1
        because.push(`plugs black and dry, ${one.band}: rich`)
      } else if (one.colour === 'wet')
        because.push(`plugs wet, ${one.band}: not burnt. Spark first, then fuel`)
    }
  }
  const side = rich > lean ? 'rich' : lean > rich ? (hangs && lean === 1 ? 'air leak' : 'lean') : null
  return { side, because }
}

/** What is wrong with how it is gone about: a change against what was found, or two before anybody looked. */
export function runAlarms(run: readonly RunEntry[]): string[] {
  const alarms: string[] = []
  let open: string | null = null
  for (const [i, one] of run.entries()) {
    if (one.what === 'effect') open = null
    if (one.what !== 'change') continue
    const { side } = readRun(run.slice(0, i))
    if (open)
      alarms.push(
        `${one.of} was changed before anybody said what ${open} did: which of them it was cannot be told.`,
      )
    if (side === 'rich' && one.way === 'richer')
      alarms.push(`${one.of} makes it richer, and it was found rich: that goes against the finding.`)
    if ((side === 'lean' || side === 'air leak') && one.way === 'leaner')
      alarms.push(`${one.of} makes it leaner, and it was found lean: that goes against the finding.`)
    if (side === 'air leak' && one.way === 'richer')
      alarms.push(
        `${one.of} makes it richer where a hang may be an air leak: find the leak first, or it is jetted for a leak.`,
      )
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
