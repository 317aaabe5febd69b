import type { RunEntry } from '../../log/index.ts'
import type { Curves } from './worked.ts'

/** What was heard or seen on the engine at an opening: how far off it is roughly, and how roughly, as shares. Richer is above 0. */
export interface Heard {
  opening: number
  words: string
  richer: number
  give: number
}

/** Openings at which a run is read. */
export const AT: Readonly<Record<string, number>> = {
  idle: 0,
  'just off idle': 0.1,
  middle: 0.45,
  'wide open': 1,
}
/** What a plug's colour says of the mixture, and how little it says: judged by eye, assumed by us. */
const PLUGS = {
  white: [-0.1, 0.06],
  tan: [0, 0.04],
  black: [0.12, 0.06],
  wet: [0.2, 0.08],
} as const

/** λ that is wanted: 1 up to half open, richer from there to full (`docs/physics.md` 23). */
const WANTED = { full: 1 / 1.15, else: 1 } as const
/** A probe and a hand that holds it steady, a share. */
export const PROBE = 0.03

/** What the run log says of the unit as it is now: what was read since something was changed last. */
export function heardOf(run: readonly RunEntry[]): Heard[] {
  const since = run.findLastIndex(({ what }) => what === 'change')
  const byPlace = new Map<string, Heard>()
  for (const it of run.slice(since + 1)) {
    const probed = it.what === 'plug' && byPlace.get(`plug ${it.band}`)?.give === PROBE
    if (it.what === 'plug' && AT[it.band] !== undefined && !probed) {
      const [richer, give] = PLUGS[it.colour]
      byPlace.set(`plug ${it.band}`, { opening: AT[it.band]!, words: `${it.colour} plug`, richer, give })
    }
    if (it.what === 'lambda')
      // A probe says more than a plug.
      byPlace.set(`plug ${it.band}`, {
        opening: AT[it.band]!,
        words: `λ ${it.lambda.toFixed(2)}`,
        richer: (it.band === 'wide open' ? WANTED.full : WANTED.else) / it.lambda - 1,
        give: PROBE,
      })
    if (it.what === 'blip' && it.part === 'opening' && it.bad)
      byPlace.set('blip', {
        opening: AT['just off idle']!,
        words: it.black ? 'stumbles, black' : 'stumbles',
        richer: it.black ? 0.12 : -0.1,
        give: 0.08,
      })
  }
  return [...byPlace.values()].sort((a, b) => a.opening - b.opening)
}

/** Readings that the figures do not explain: each with what to look at before another jet goes in. */
export function fightsOf(heard: readonly Heard[], { openings, asIs }: Curves): string[] {
  return heard.flatMap(({ opening, words, richer, give }) => {
    const i = openings.findIndex((x) => x >= opening - 1e-9)
    const by = asIs.ratio[i]! - 1
    if (Math.abs(by - richer) <= give + 2 * asIs.sigma[i]!) return []
    const look =
      richer > by
        ? 'level high, choke on, power circuit open, a larger jet'
        : 'level low, a blocked passage, air leak, a smaller jet'
    return [
      `${words[0]!.toUpperCase()}${words.slice(1)}: ${richer > by ? 'richer' : 'leaner'} than the place and the fuel explain. First: ${look}.`,
    ]
  })
}
