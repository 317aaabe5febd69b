import { RUN_CHARACTER, type Channel } from './channel.ts'
import type { Packed } from './packed.ts'

/** What a search found: places of the sorted order with the likelihood of their mark, and what it left out. */
export interface Found {
  places: number[]
  likelihoods: number[]
  /** at most so much of the weighted likelihood lies in what was not checked */
  lost: number
}

/** One reading against a packed catalogue: its bounds are worked out once, whatever is searched for. */
export class MarkSearch {
  /** the largest likelihood that a mark of the catalogue's lengths can have under the reading */
  readonly most: number
  private readonly descents: readonly Descent[]

  constructor(
    private readonly packed: Packed,
    channel: Channel,
  ) {
    const tables = tablesOf(channel)
    this.descents = packed.lengths.map(
      ({ length, met }) => new Descent(packed, channel, tables, boundsOf(channel, tables, met), length),
    )
    this.most = this.descents.reduce((most, { top }) => Math.max(most, top), 0)
  }

  /**
   * Goes down the tree with the forward algorithm of the wear channel, once for every beginning that marks share, and leaves a
   * branch as soon as nothing in it can weigh more than `least`: the weight of its candidates (`sums`, running totals in the sorted
   * order) times the best that any mark could still make of the rest of the reading. What is found is exact.
   */
  find(sums: Float64Array, least: number): Found {
    const found: Found = { places: [], likelihoods: [], lost: 0 }
    this.packed.lengths.forEach(({ lo, hi, root }, i) => {
      const descent = this.descents[i]!
      const weight = descent.top * (sums[hi]! - sums[lo]!)
      if (weight <= least) found.lost += weight
      else descent.from(root, sums, least, found)
    })
    return found
  }
}

interface Tables {
  width: number
  /** by true symbol and token */
  emits: Float64Array[]
  /** by true symbol and token: this and the next token from one true character and a stranger */
  pairs: Float64Array[]
  dropped: Float64Array
  hasRuns: boolean
}

function tablesOf({ places, strangers, tokens, noise, runs }: Channel): Tables {
  const width = tokens.length
  const pairs = places.map(({ exact }) =>
    Float64Array.from(
      { length: Math.max(0, width - 1) },
      (_, j) => (noise.inserted * (strangers[j]! * exact[j + 1]! + exact[j]! * strangers[j + 1]!)) / 2,
    ),
  )
  return {
    width,
    emits: places.map(({ emits }) => emits),
    pairs,
    dropped: Float64Array.from(places, (place) => place.dropped),
    hasRuns: runs.some((run) => run === 1),
  }
}

/** Upper bounds by depth in the tree: what multiplies each cell of a row, and what may still begin later. */
interface Bounds {
  /** for the row of the whole mark */
  whole: Float64Array[]
  wholeRun: Float64Array[]
  /** for the row of marks whose beginning is gone */
  cut: Float64Array[]
  cutRun: Float64Array[]
  /** marks whose beginning ends at this depth or below it */
  later: Float64Array
  /** how many characters may be gone at one end */
  longest: number
  /** the share of a mark that lost nothing, and of each way to lose a run */
  kept: number
  each: number
}

/** By places left: the most that any rest makes of the tokens from j on; `inRun` the same from within a run. */
interface Rests {
  best: Float64Array[]
  inRun: Float64Array[]
}

/** `left[k]`: the symbols that can stand where k + 1 places are left. */
function restsOf({ runs }: Channel, tables: Tables, left: readonly Uint8Array[]): Rests {
  const { width, emits, pairs, dropped } = tables
  const best: Float64Array[] = []
  const inRun: Float64Array[] = []
  for (let places = 0; places <= left.length; places++) {
    const here = new Float64Array(width + 3)
    const run = new Float64Array(width + 3)
    const before = best[places - 1]
    const runBefore = inRun[places - 1]
    for (let j = width; j >= 0; j--) {
      let most = 0
      if (!before) most = j === width ? 1 : 0
      else
        for (const s of left[places - 1]!) {
          let p = dropped[s]! * before[j]!
          if (j < width) {
            p += emits[s]![j]! * before[j + 1]!
            if (j + 1 < width) p += pairs[s]![j]! * before[j + 2]!
          }
          if (p > most) most = p
        }
      if (j < width && runs[j] === 1) {
        run[j] = here[j + 1]! + (runBefore ? RUN_CHARACTER * runBefore[j]! : 0)
        most += run[j]!
      }
      here[j] = most
    }
    best.push(here)
    inRun.push(run)
  }
  return { best, inRun }
}

/** By what stands at each place of the catalogue's marks of one length: nothing else can come there. */
function boundsOf(channel: Channel, tables: Tables, met: readonly Uint8Array[]): Bounds {
  const count = met.length
  const { width } = tables
  const { noise } = channel
  const { best, inRun } = restsOf(channel, tables, met.toReversed())
  // Where the end is gone what is left may be any stretch of the mark: whatever stands anywhere in it.
  const anywhere = Uint8Array.from(new Set(met.flatMap((symbols) => [...symbols])))
  const stretches = restsOf(
    channel,
    tables,
    met.map(() => anywhere),
  )
  const longest = noise.runLost === 0 ? 0 : Math.floor(count / 2)
  const kept = longest === 0 ? 1 : 1 - noise.runLost
  const each = longest === 0 ? 0 : noise.runLost / (2 * longest)
  const whole: Float64Array[] = []
  const wholeRun: Float64Array[] = []
  const cut: Float64Array[] = []
  const cutRun: Float64Array[] = []
  const later = new Float64Array(count + 1)
  for (let depth = 0; depth <= count; depth++) {
    const left = count - depth
    const cell = best[left]!.map((p) => kept * p)
    const cellRun = inRun[left]!.map((p) => kept * p)
    // Ends that are still to be counted: the rest is gone from there on.
    for (let end = Math.max(depth, count - longest); end < count && each > 0; end++)
      for (let j = 0; j <= width; j++) {
        cell[j]! += each * stretches.best[end - depth]![j]!
        cellRun[j]! += each * stretches.inRun[end - depth]![j]!
      }
    whole.push(cell)
    wholeRun.push(cellRun)
    cut.push(best[left]!.map((p) => each * p))
    cutRun.push(inRun[left]!.map((p) => each * p))
    for (let start = Math.max(1, depth); start <= longest; start++)
      later[depth]! += each * best[count - start]![0]!
  }
  return { whole, wholeRun, cut, cutRun, later, longest, kept, each }
}

/** One length of mark: rows by depth, before runs open at that depth. */
class Descent {
  /** the largest likelihood that a mark of this length can have */
  readonly top: number
  private readonly whole: Float64Array[]
  private readonly wholeRun: Float64Array[]
  private readonly cut: Float64Array[]
  private readonly cutRun: Float64Array[]
  /** by depth: what is counted already of marks whose end is gone */
  private readonly ended: Float64Array
  private sums: Float64Array = new Float64Array(0)
  private least = 0
  private found: Found = { places: [], likelihoods: [], lost: 0 }

  constructor(
    private readonly packed: Packed,
    private readonly channel: Channel,
    private readonly tables: Tables,
    private readonly bounds: Bounds,
    private readonly count: number,
  ) {
    const rows = () => Array.from({ length: count + 1 }, () => new Float64Array(tables.width + 3))
    this.whole = rows()
    this.wholeRun = tables.hasRuns ? rows() : []
    this.cut = rows()
    this.cutRun = tables.hasRuns ? rows() : []
    this.ended = new Float64Array(count + 2)
    this.top = bounds.whole[0]![0]! + bounds.later[0]!
  }

  from(root: number, sums: Float64Array, least: number, found: Found): void {
    this.sums = sums
    this.least = least
    this.found = found
    for (const rows of [this.whole, this.wholeRun, this.cut, this.cutRun]) rows[0]?.fill(0)
    this.whole[0]![0] = 1
    this.node(root, 0)
  }

  /** Everything below a node, whose rows are there. */
  private node(node: number, depth: number): void {
    const { nodes, symbols, starts } = this.packed
    const lo = nodes.lo[node]!
    const hi = nodes.hi[node]!
    if (this.isOver(lo, hi, depth)) return
    this.open(depth)
    const children = nodes.children[node]!
    if (depth === this.count) return this.leaf(lo, hi, depth)
    if (children === 0) {
      // One mark only: straight down, with a look at each step.
      const start = starts[lo]!
      for (let at = depth; at < this.count; at++) {
        this.step(at, symbols[start + at]!)
        if (this.isOver(lo, hi, at + 1)) return
        this.open(at + 1)
      }
      return this.leaf(lo, hi, this.count)
    }
    const first = nodes.firstChild[node]!
    for (let child = first; child < first + children; child++) {
      this.step(depth, nodes.symbol[child]!)
      this.node(child, depth + 1)
    }
  }

  /** Whether nothing from here on can weigh enough; then it is counted as left out. */
  private isOver(lo: number, hi: number, depth: number): boolean {
    const { bounds } = this
    const { width, hasRuns } = this.tables
    const a = this.whole[depth]!
    const b = this.cut[depth]!
    const boundA = bounds.whole[depth]!
    const boundB = bounds.cut[depth]!
    let most = bounds.later[depth]! + bounds.each * this.ended[depth]!
    for (let j = 0; j <= width; j++) most += a[j]! * boundA[j]! + b[j]! * boundB[j]!
    if (hasRuns) {
      const c = this.wholeRun[depth]!
      const d = this.cutRun[depth]!
      const boundC = bounds.wholeRun[depth]!
      const boundD = bounds.cutRun[depth]!
      for (let j = 0; j < width; j++) most += c[j]! * boundC[j]! + d[j]! * boundD[j]!
    }
    const weight = most * (this.sums[hi]! - this.sums[lo]!)
    if (weight > this.least) return false
    this.found.lost += weight
    return true
  }

  /** Runs open and close at a depth, and a mark whose beginning ended here begins. */
  private open(depth: number): void {
    const { longest } = this.bounds
    if (depth > 0 && depth <= longest) this.cut[depth]![0]! += 1
    if (this.tables.hasRuns) {
      this.openRuns(this.whole[depth]!, this.wholeRun[depth]!)
      this.openRuns(this.cut[depth]!, this.cutRun[depth]!)
    }
    const ends = longest > 0 && depth >= this.count - longest && depth < this.count
    this.ended[depth + 1] = this.ended[depth]! + (ends ? this.whole[depth]![this.tables.width]! : 0)
  }

  private openRuns(row: Float64Array, run: Float64Array): void {
    const { runs } = this.channel
    for (let j = 0; j < this.tables.width; j++) {
      if (runs[j] === 0) continue
      run[j]! += row[j]!
      row[j + 1]! += run[j]!
    }
  }

  /** From a depth's rows to the next one's by one true character. */
  private step(depth: number, symbol: number): void {
    const { width, hasRuns } = this.tables
    move(this.tables, symbol, this.whole[depth]!, this.whole[depth + 1]!)
    // Before a beginning can have ended there is nothing in the second row.
    if (depth === 0 || this.bounds.longest === 0) this.cut[depth + 1]!.fill(0)
    else move(this.tables, symbol, this.cut[depth]!, this.cut[depth + 1]!)
    if (!hasRuns) return
    const a = this.wholeRun[depth]!
    const b = this.wholeRun[depth + 1]!
    const c = this.cutRun[depth]!
    const d = this.cutRun[depth + 1]!
    for (let j = 0; j <= width; j++) {
      b[j] = a[j]! * RUN_CHARACTER
      d[j] = c[j]! * RUN_CHARACTER
    }
  }

  private leaf(lo: number, hi: number, depth: number): void {
    const { width } = this.tables
    const { kept, each } = this.bounds
    const likelihood =
      kept * this.whole[depth]![width]! + each * (this.cut[depth]![width]! + this.ended[depth]!)
    for (let at = lo; at < hi; at++) {
      this.found.places.push(at)
      this.found.likelihoods.push(likelihood)
    }
  }
}

function move(
  { width, emits, pairs, dropped }: Tables,
  symbol: number,
  from: Float64Array,
  to: Float64Array,
): void {
  const emit = emits[symbol]!
  const pair = pairs[symbol]!
  const drop = dropped[symbol]!
  let fromOne = 0
  let fromTwo = 0
  for (let j = 0; j <= width; j++) {
    const here = from[j]!
    to[j] = here * drop + fromOne + fromTwo
    // What this cell gives to the next, and what the one before it gives to the next.
    fromTwo = j > 0 && j < width ? from[j - 1]! * pair[j - 1]! : 0
    fromOne = j < width ? here * emit[j]! : 0
  }
}
