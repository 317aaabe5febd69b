import type { Candidate, FeatureValue } from './candidate.ts'

/** Values of one feature by code, 0 for a candidate that has none. */
export interface PackedColumn {
  values: (FeatureValue | undefined)[]
  /** by place in the sorted order */
  codes: Uint32Array
}

/**
 * A catalogue in columns, sorted by length of the mark and by the mark, so that everything that begins alike lies together. Nodes are
 * a tree over those beginnings: one for each that at least two different marks share.
 */
export interface Packed {
  /** place in the sorted order → candidate */
  order: Uint32Array
  /** all marks one behind the other; those of one length have one stride */
  symbols: Uint8Array
  /** where the mark at a place begins in `symbols` */
  starts: Uint32Array
  /** each one's weight in the catalogue as a share of the heaviest, and that one's */
  shares: Float64Array
  heaviest: number
  makers: { names: string[]; codes: Uint32Array }
  columns: ReadonlyMap<string, PackedColumn>
  lengths: readonly Length[]
  nodes: Nodes
}

/** The marks of one length: the first and last place (exclusive), the root node, and which symbols stand at each of its places. */
interface Length {
  length: number
  lo: number
  hi: number
  root: number
  met: readonly Uint8Array[]
}

interface Nodes {
  /** the children of a node stand in a row */
  firstChild: Uint32Array
  children: Uint8Array
  symbol: Uint8Array
  lo: Uint32Array
  hi: Uint32Array
}

/** Packs a catalogue once; every query goes over columns and tree. */
export function pack(candidates: readonly Candidate[], marks: readonly (readonly number[])[]): Packed {
  const order = Uint32Array.from(candidates.keys()).sort((a, b) => compare(marks[a]!, marks[b]!))
  const starts = new Uint32Array(order.length + 1)
  order.forEach((i, at) => (starts[at + 1] = starts[at]! + marks[i]!.length))
  const symbols = new Uint8Array(starts[order.length]!)
  order.forEach((i, at) => symbols.set(marks[i]!, starts[at]))
  const names = [...new Set(candidates.map(({ maker }) => maker))]
  const codeOf = new Map(names.map((name, code) => [name, code]))
  const heaviest = candidates.reduce((most, { weight }) => Math.max(most, weight), 1e-300)
  const { lengths, nodes } = grow(order, symbols, starts)
  return {
    order,
    symbols,
    starts,
    shares: Float64Array.from(order, (i) => candidates[i]!.weight / heaviest),
    heaviest,
    makers: { names, codes: Uint32Array.from(order, (i) => codeOf.get(candidates[i]!.maker)!) },
    columns: columnsOf(candidates, order),
    lengths,
    nodes,
  }
}

function compare(a: readonly number[], b: readonly number[]): number {
  if (a.length !== b.length) return a.length - b.length
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}

function columnsOf(candidates: readonly Candidate[], order: Uint32Array): Map<string, PackedColumn> {
  const columns = new Map<string, PackedColumn & { known: Map<FeatureValue, number> }>()
  order.forEach((i, at) => {
    for (const [name, value] of Object.entries(candidates[i]!.features)) {
      let column = columns.get(name)
      if (!column) {
        column = { values: [undefined], codes: new Uint32Array(order.length), known: new Map() }
        columns.set(name, column)
      }
      let code = column.known.get(value)
      if (code === undefined) {
        code = column.values.push(value) - 1
        column.known.set(value, code)
      }
      column.codes[at] = code
    }
  })
  return new Map([...columns].map(([name, { values, codes }]) => [name, { values, codes }]))
}

/** The tree, breadth first, so that a node's children stand in a row. */
function grow(order: Uint32Array, symbols: Uint8Array, starts: Uint32Array) {
  const firstChild: number[] = []
  const children: number[] = []
  const symbol: number[] = []
  const los: number[] = []
  const his: number[] = []
  const depths: number[] = []
  const add = (sign: number, lo: number, hi: number, depth: number) => {
    firstChild.push(0)
    children.push(0)
    symbol.push(sign)
    los.push(lo)
    his.push(hi)
    depths.push(depth)
    return symbol.length - 1
  }
  const lengthAt = (at: number) => starts[at + 1]! - starts[at]!
  const lengths: Length[] = []
  for (let lo = 0; lo < order.length;) {
    const length = lengthAt(lo)
    let hi = lo
    while (hi < order.length && lengthAt(hi) === length) hi++
    const met = Array.from({ length }, (_, place) => metAt(symbols, starts[lo]! + place, length, hi - lo))
    lengths.push({ length, lo, hi, root: add(0, lo, hi, 0), met })
    lo = hi
  }
  for (let node = 0; node < symbol.length; node++) {
    const [lo, hi, depth] = [los[node]!, his[node]!, depths[node]!]
    const length = lengthAt(lo)
    // Sorted: where the first and the last are alike, all between them are.
    if (depth === length || same(symbols, starts[lo]! + depth, starts[hi - 1]! + depth, length - depth))
      continue
    firstChild[node] = symbol.length
    for (let at = lo; at < hi;) {
      const sign = symbols[starts[at]! + depth]!
      let end = at
      while (end < hi && symbols[starts[end]! + depth] === sign) end++
      add(sign, at, end, depth + 1)
      children[node]!++
      at = end
    }
  }
  return {
    lengths,
    nodes: {
      firstChild: Uint32Array.from(firstChild),
      children: Uint8Array.from(children),
      symbol: Uint8Array.from(symbol),
      lo: Uint32Array.from(los),
      hi: Uint32Array.from(his),
    },
  }
}

function metAt(symbols: Uint8Array, from: number, stride: number, count: number): Uint8Array {
  const met = new Set<number>()
  for (let k = 0; k < count; k++) met.add(symbols[from + k * stride]!)
  return Uint8Array.from(met)
}

function same(symbols: Uint8Array, a: number, b: number, count: number): boolean {
  for (let i = 0; i < count; i++) if (symbols[a + i] !== symbols[b + i]) return false
  return true
}
