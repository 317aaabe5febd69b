import { likelihood, type Channel } from './channel.ts'
import type { Packed } from './packed.ts'
import { MarkSearch } from './search.ts'

const FLOOR = 1e-300
/** What pruning may have left out of the total, at most: four thousandths; as a rule it is a tenth of that. */
const MOST_LOST = 4e-3
/** So many list numbers are gone through without leaving any out. */
const SMALL = 1000
interface Weighed {
  places: ArrayLike<number> & Iterable<number>
  likelihoods: ArrayLike<number>
  noneLikelihood: number
  /** the weight that was left out, at most */
  lost: number
}

/** The likelihood of all marks for every candidate that can matter, and of 'none of these' with its weight. */
export function byMarks(
  packed: Packed,
  channels: readonly { channel: Channel }[],
  background: readonly number[],
  weights: Float64Array,
  none: number,
): Weighed {
  const count = weights.length
  const all = () => Uint32Array.from({ length: count }, (_, at) => at)
  if (channels.length === 0)
    return { places: all(), likelihoods: new Float64Array(count).fill(1), noneLikelihood: none, lost: 0 }
  const noneLikelihood = background.reduce((product, p) => product * Math.max(FLOOR, p), none)
  // The reading with most to say leads down the tree; the others are looked at where it arrives.
  const byLength = [...channels].sort((a, b) => readable(b.channel) - readable(a.channel))
  const [lead, ...rest] = byLength.map(({ channel }) => channel)
  const restMost = rest.reduce((product, channel) => product * new MarkSearch(packed, channel).most, 1)
  const sums = new Float64Array(count + 1)
  for (let at = 0; at < count; at++) sums[at + 1] = sums[at]! + weights[at]!
  const search = new MarkSearch(packed, lead!)
  let total = noneLikelihood
  // A small catalogue is gone through whole. Of a large one what could be a hundredth of the likeliest first, then less and less.
  for (let least = count <= SMALL ? 0 : search.most * 1e-3; ;) {
    const found = search.find(sums, least)
    total = noneLikelihood
    const likelihoods = found.places.map((at, k) => {
      let p = found.likelihoods[k]!
      if (p > 0)
        for (const channel of rest)
          p *= likelihood(channel, packed.symbols.subarray(packed.starts[at], packed.starts[at + 1]))
      total += p * weights[at]!
      return p
    })
    const lost = found.lost * restMost
    const some = total > noneLikelihood
    if (least <= search.most * 1e-60 || (some && lost <= MOST_LOST * total)) {
      if (some) return { places: found.places, likelihoods, noneLikelihood, lost }
      // No mark of the catalogue can have become this reading: it says the same of every one.
      return {
        places: all(),
        likelihoods: new Float64Array(count).fill(FLOOR),
        noneLikelihood: Math.max(noneLikelihood, none * FLOOR),
        lost: 0,
      }
    }
    // By what was left out and what was found: so much less may be left out of a branch.
    const less = some ? (0.4 * MOST_LOST * total) / Math.max(lost, FLOOR) : 1e-3
    least *= Math.min(0.2, Math.max(1e-5, less))
  }
}

const readable = ({ tokens }: Channel): number =>
  tokens.filter(({ kind }) => kind === 'one' || kind === 'either').length

/** The places with the largest weights, heaviest first; ties by id. */
export function heaviest(
  places: ArrayLike<number>,
  joint: Float64Array,
  top: number,
  idOf: (at: number) => string,
): number[] {
  // A few are kept while going through: sorting a large catalogue for ten of them takes longer than ranking it.
  let floor = -1
  let kept: number[] = []
  const better = (a: number, b: number) =>
    joint[b]! - joint[a]! || (idOf(places[a]!) < idOf(places[b]!) ? -1 : 1)
  for (let k = 0; k < joint.length; k++) {
    if (joint[k]! < floor) continue
    kept.push(k)
    if (kept.length < 4 * top + 64) continue
    kept = kept.sort(better).slice(0, top)
    floor = joint[kept.at(-1)!]!
  }
  return kept
    .sort(better)
    .slice(0, top)
    .map((k) => places[k]!)
}
