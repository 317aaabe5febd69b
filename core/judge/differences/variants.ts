/** A list number of a model with what it is set and calibrated to, as its newest sheet has it. */
export interface Variant {
  listNumber: string
  /** of the engine that it is for; 0 where nobody said */
  displacementL: number
  settings: readonly { code: string; place: string; name: string; asWritten: string; target: number | null }[]
  calibration: readonly { code: string; place: string; name: string; mm: number | null }[]
}

export interface VariantColumn {
  code: string
  name: string
  /** one line for each place that differs from another: primary and secondary, left and right */
  series: readonly string[]
  /** by list number, by place: the value and how it is written; absent where the list number has none */
  values: Readonly<Record<string, Readonly<Record<string, { value: number; words: string }>>>>
}

/** What tells units of one model apart, in the order in which a hand looks for it. */
const ORDER = [
  'jet.main',
  'jet.idle',
  'choke.index',
  'needle.clip',
  'float.height',
  'mixture.turns',
  'pump.stem',
  'vacuumBreak.gap',
  'seat',
  'float.drop',
]

const rankOf = (code: string): number => {
  const at = ORDER.indexOf(code)
  return at < 0 ? ORDER.length : at
}

/** A name without its place; a value without its tolerance: `Main jet, primary`, `13.5 ±0.5`. */
const common = (name: string): string => name.split(',')[0]!
const bare = (words: string): string => words.replace(/\s*±.*$/, '')

/**
 * What the list numbers of a model differ in, at most so many columns: jets first, then what is set. A place that goes with another in
 * every one of them is not said twice.
 */
export function variantColumns(variants: readonly Variant[], most: number): VariantColumn[] {
  const codes = new Map<string, { name: string; places: Set<string> }>()
  const values: Record<string, Record<string, Record<string, { value: number; words: string }>>> = {}
  const add = (
    code: string,
    place: string,
    name: string,
    listNumber: string,
    value: number,
    words: string,
  ) => {
    const known = codes.get(code) ?? { name: common(name), places: new Set() }
    known.places.add(place)
    codes.set(code, known)
    ;((values[code] ??= {})[listNumber] ??= {})[place] = { value, words }
  }
  for (const { listNumber, settings, calibration } of variants) {
    for (const { code, place, name, mm } of calibration)
      if (mm !== null) add(code, place, name, listNumber, mm, mm.toFixed(2))
    for (const { code, place, name, asWritten, target } of settings)
      if (target !== null) add(code, place, name, listNumber, target, bare(asWritten))
  }
  return [...codes]
    .map(([code, { name, places }]): VariantColumn => {
      const of = values[code]!
      const line = (place: string) => variants.map(({ listNumber }) => of[listNumber]?.[place]?.value ?? null)
      const series = [...places].filter(
        (place, i, all) => all.findIndex((other) => line(other).join() === line(place).join()) === i,
      )
      return { code, name, series, values: of }
    })
    .filter(({ series, values: of }) =>
      series.some((place) => new Set(Object.values(of).map((one) => one[place]?.value)).size > 1),
    )
    .sort((a, b) => rankOf(a.code) - rankOf(b.code) || (a.code < b.code ? -1 : 1))
    .slice(0, most)
}

/** By the engine that they are for, the smallest first; within one by number. */
export function byEngine<V extends Pick<Variant, 'listNumber' | 'displacementL'>>(
  variants: readonly V[],
): { displacementL: number; variants: V[] }[] {
  const sizes = [...new Set(variants.map(({ displacementL }) => displacementL))].sort((a, b) => a - b)
  return sizes.map((size) => ({
    displacementL: size,
    variants: variants
      .filter(({ displacementL }) => displacementL === size)
      .sort((a, b) => (a.listNumber < b.listNumber ? -1 : 1)),
  }))
}
