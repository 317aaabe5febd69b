import type { RunNote } from '../../log/index.ts'
import { parseLength } from '../../measure/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { mainJetDoubt, POWER, rangeMixture, type RangeProblem } from '../../physics/range/index.ts'
import { AT, PROBE } from './heard.ts'

/** By how much the mixture follows the main jet more (or less) than is reckoned, as an exponent of its area, with its σ. */
export interface MainOff {
  by: number
  sigma: number
  /** the same as a share of what a size does */
  share: number
  /** changes that it rests on */
  changes: number
}

const CHANGED = /\bmain jets?\b.*?(\d+[.,]\d+)\s*(?:mm)?\s*(?:to|→|->)\s*(\d+[.,]\d+)/i

/** The bores (mm) that a change of the run log names, where it is of the main jet. */
export function mainJetChange(of: string): { from: number; to: number } | null {
  const said = CHANGED.exec(of)
  if (!said) return null
  const [from, to] = [parseLength(said[1]!), parseLength(said[2]!)]
  return isRefusal(from) || isRefusal(to) || from.mm === to.mm ? null : { from: from.mm, to: to.mm }
}

/** One change of the main jet alone, with a probe read before and after it at one throttle position. */
interface Pair {
  opening: number
  from: number
  to: number
  before: number
  after: number
}

/** Every such pair of a run: where something else was changed meanwhile, what was read before says nothing of the jet. */
function pairsOf(run: readonly RunNote[]): Pair[] {
  let before = new Map<string, number>()
  let read = new Map<string, number>()
  let change: { from: number; to: number } | null = null
  const pairs: Pair[] = []
  for (const it of run) {
    if (it.what === 'change') {
      change = mainJetChange(it.of)
      before = change ? read : new Map<string, number>()
      read = new Map()
    }
    if (it.what !== 'lambda') continue
    read.set(it.band, it.lambda)
    const was = before.get(it.band)
    if (change && was !== undefined)
      pairs.push({ ...change, opening: AT[it.band]!, before: was, after: it.lambda })
    before.delete(it.band)
  }
  return pairs
}

/**
 * What the runs of a list number say of its main jet (`docs/physics.md` 25): each reading around a known change says by how much the
 * mixture moved, the model by how much it should have; the difference as an exponent, weighed by its variance against none at all.
 */
export function learnMain(problem: RangeProblem, runs: readonly (readonly RunNote[])[]): MainOff | null {
  let weight = 1 / mainJetDoubt(problem) ** 2
  let sum = 0
  let changes = 0
  for (const { opening, from, to, before, after } of runs.flatMap(pairsOf)) {
    const at = (main: number) => rangeMixture({ ...problem, openings: [opening], now: { main } })
    const [was, is] = [at(from), at(to)]
    if (isRefusal(was) || isRefusal(is)) continue
    const area = 2 * Math.log(to / from)
    const reckoned = Math.log(is.ratio[0]! / was.ratio[0]!)
    // Where the main circuit has no say nothing is learned of it.
    if (Math.abs(reckoned) < 0.1 * Math.abs(area)) continue
    const off = (Math.log(before / after) - reckoned) / area
    const sigma = (Math.SQRT2 * PROBE) / Math.abs(area)
    weight += 1 / sigma ** 2
    sum += off / sigma ** 2
    changes++
  }
  if (changes === 0) return null
  const by = sum / weight
  return { by, sigma: Math.sqrt(1 / weight), share: by / POWER.main, changes }
}
