import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge, parseLength } from '../../measure/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { Finding } from './kind.ts'

type Light = PartMeasuredBy<'light'>

const HOURS = 12
/** Shut by hand a plate lets no more by than this all round, mm; more, and its stop is not backed off. */
const MOST_ALL_ROUND_MM = 0.15

/** The direction of an hour on the clock, twelve up, as a unit vector. */
const towards = (hour: number): [number, number] => [
  Math.sin((2 * Math.PI * hour) / HOURS),
  Math.cos((2 * Math.PI * hour) / HOURS),
]
/** The hour opposite on the clock. */
export const oppositeHour = (hour: number): number => ((hour + HOURS / 2 - 1) % HOURS) + 1
/** The nearest hour to a direction, 1 to 12. */
const hourOf = (x: number, y: number): number =>
  Math.round((Math.atan2(x, y) * HOURS) / (2 * Math.PI) + HOURS) % HOURS || HOURS

/** The width of the light at an hour, mm: a disc that lies off its bore's centre leaves g(θ) = mean + off·cos(θ − θ0). */
export const lightAt = ({ offMm, hour, meanMm }: Light, at: number): number =>
  Math.max(0, meanMm + offMm * Math.cos((2 * Math.PI * (at - hour)) / HOURS))

/** One line across the plate: the hour, the light there, and opposite, mm. */
function lineIn(words: string): Result<{ hour: number; there: number; opposite: number }> {
  const [hour, there, opposite, more] = words.trim().split(/\s+/)
  const at = Number(hour)
  if (!there || !opposite || more || !Number.isInteger(at) || at < 1 || at > HOURS)
    return refuse('text', 'Type the hour where it is brightest, the light there, and opposite: 4 0.11 0.02.')
  const [a, b] = [parseLength(there), parseLength(opposite)]
  if (isRefusal(a)) return a
  if (isRefusal(b)) return b
  return { hour: at, there: a.mm, opposite: b.mm }
}

/**
 * How far a throttle or choke plate lies off its bore's centre, by the light round its edge (feeler strips): half of the difference across
 * it; from two lines across it the direction too, `e·u₁ = d₁, e·u₂ = d₂`.
 */
export const light: Finding<Light> = {
  label: 'Light round its edge, held shut',
  unit: 'mm',
  hint: 'hour, there, opposite: 4 0.11 0.02',
  gauge: 'feeler',
  read(raw, sigma) {
    const lines = raw.split(/\s*[,;]\s+/).map(lineIn)
    const bad = lines.find(isRefusal)
    if (bad) return bad
    const [first, second, more] = lines as { hour: number; there: number; opposite: number }[]
    if (more) return refuse('text', 'Two lines across it tell all: type the brightest first.')
    const half = (line: typeof first) => (line!.there - line!.opposite) / 2
    const mean = (line: typeof first) => (line!.there + line!.opposite) / 2
    // Each gap has the feeler's error: half of their difference has it over √2.
    const off = sigma / Math.SQRT2
    if (!second) {
      const d = half(first)
      return {
        what: 'light',
        offMm: Math.abs(d),
        hour: d >= 0 ? first!.hour : oppositeHour(first!.hour),
        meanMm: mean(first),
        sigma: off,
      }
    }
    const [[ax, ay], [bx, by]] = [towards(first!.hour), towards(second.hour)]
    const across = ax * by - ay * bx
    if (Math.abs(across) < 0.2)
      return refuse('text', 'Both lines lie along each other: take the second one across the first.')
    const [d, e] = [half(first), half(second)]
    const [x, y] = [(d * by - e * ay) / across, (ax * e - bx * d) / across]
    return {
      what: 'light',
      offMm: Math.hypot(x, y),
      hour: hourOf(x, y),
      meanMm: (mean(first) + mean(second)) / 2,
      sigma: off,
    }
  },
  range: ({ meanMm, offMm }) => ({
    value: meanMm + offMm,
    near: 0.08,
    least: 0,
    most: 2,
    unit: 'mm',
    limits: 'a shut plate all but touches its bore',
  }),
  judge({ offMm, hour, meanMm, sigma }, { deciding: { allowMm } }) {
    const verdict = judge(offMm, sigma, null, allowMm)
    if (isRefusal(verdict)) return verdict
    const base = {
      pIn: verdict.pIn,
      limit: allowMm,
      unit: 'mm' as const,
      rule: `off centre by ${figure(allowMm, 2)} mm at most`,
    }
    const by = `Off center by ${figure(offMm, 2)} mm. ${figure(allowMm, 2)} is allowed.`
    const opposite = oppositeHour(hour)
    if (verdict.verdict === 'out')
      return {
        ...base,
        disposition: 'repair',
        sure: true,
        sentence: `${by} It drags at ${opposite} o’clock. Back the stop off, loosen both screws half a turn, push the plate toward ${hour} o’clock, hold it shut, snug them, look again.`,
      }
    if (meanMm > MOST_ALL_ROUND_MM)
      return {
        ...base,
        disposition: 'repair',
        sure: false,
        sentence: `Even, but light all round, ${figure(meanMm, 2)}: back its stop screw off, hold it shut, look again. Still so: its edge is worn.`,
      }
    if (verdict.verdict === 'doubtful')
      return {
        ...base,
        disposition: 'repair',
        sure: false,
        sentence: `${by} Too near to tell: look again along two lines across it.`,
      }
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `Even all round, ${figure(meanMm, 2)}. Tighten its screws and secure them: whatever comes loose here goes into the engine.`,
    }
  },
}
