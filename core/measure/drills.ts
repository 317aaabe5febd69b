import { MM_PER_INCH } from '../base/constants/index.ts'
/**
 * The drill sizes that a shop's index holds, in millimetres.
 * Number and letter sizes: American twist drills, ASME B94.11M (exact decimal inches). Fractions: 1/64 in. to 1/2 in.
 * Metric: by 0.05 mm from 0.20 to 3.00 mm, by 0.1 mm up to 13 mm.
 */
export type DrillSeries = 'number' | 'letter' | 'fraction' | 'metric'

export interface Drill {
  series: DrillSeries
  name: string
  mm: number
}

// Ten-thousandths of an inch, #1 first.
const NUMBER_SIZES = [
  2280, 2210, 2130, 2090, 2055, 2040, 2010, 1990, 1960, 1935, 1910, 1890, 1850, 1820, 1800, 1770, 1730, 1695,
  1660, 1610, 1590, 1570, 1540, 1520, 1495, 1470, 1440, 1405, 1360, 1285, 1200, 1160, 1130, 1110, 1100, 1065,
  1040, 1015, 995, 980, 960, 935, 890, 860, 820, 810, 785, 760, 730, 700, 670, 635, 595, 550, 520, 465, 430,
  420, 410, 400, 390, 380, 370, 360, 350, 330, 320, 310, 292, 280, 260, 250, 240, 225, 210, 200, 180, 160,
  145, 135,
]
// Thousandths of an inch, A first.
const LETTER_SIZES = [
  234, 238, 242, 246, 250, 257, 261, 266, 272, 277, 281, 290, 295, 302, 316, 323, 332, 339, 348, 358, 368,
  377, 386, 397, 404, 413,
]

const round = (mm: number) => Math.round(mm * 1e6) / 1e6

export const numberDrills: readonly Drill[] = NUMBER_SIZES.map((size, i) => ({
  series: 'number',
  name: `#${i + 1}`,
  mm: round((size / 10000) * MM_PER_INCH),
}))

export const letterDrills: readonly Drill[] = LETTER_SIZES.map((size, i) => ({
  series: 'letter',
  name: String.fromCharCode(65 + i),
  mm: round((size / 1000) * MM_PER_INCH),
}))

export const fractionDrills: readonly Drill[] = Array.from({ length: 32 }, (_, i) => ({
  series: 'fraction',
  name: fractionName(i + 1, 64),
  mm: round(((i + 1) / 64) * MM_PER_INCH),
}))

export const metricDrills: readonly Drill[] = [
  ...Array.from({ length: 57 }, (_, i) => (20 + 5 * i) / 100),
  ...Array.from({ length: 100 }, (_, i) => (31 + i) / 10),
].map((mm) => ({ series: 'metric', name: `${mm} mm`, mm }))

const ALL: Record<DrillSeries, readonly Drill[]> = {
  number: numberDrills,
  letter: letterDrills,
  fraction: fractionDrills,
  metric: metricDrills,
}

export const allSeries = Object.keys(ALL) as DrillSeries[]

/** The drill of the given series that lies nearest to a bore or gap (mm, above 0); of two equally near, the smaller. */
export function nearestDrill(
  mm: number,
  series: readonly DrillSeries[] = allSeries,
): Drill & { error: number } {
  let best: Drill | undefined
  for (const name of series) for (const drill of ALL[name]) if (!best || closer(drill, best, mm)) best = drill
  if (!best) throw new Error('no drill series was named')
  return { ...best, error: Math.abs(best.mm - mm) }
}

function closer(a: Drill, b: Drill, mm: number): boolean {
  const difference = Math.abs(a.mm - mm) - Math.abs(b.mm - mm)
  if (Math.abs(difference) > 1e-9) return difference < 0
  return a.mm < b.mm - 1e-9
}

/**
 * The go/no-go pair of drills around a bore: the largest that enters and the next one, which must not.
 * A spec written as a bare drill means this: that drill enters, the next larger does not.
 */
export function nextLarger(drill: Drill): Drill | undefined {
  return [...ALL[drill.series]].sort((a, b) => a.mm - b.mm).find((other) => other.mm > drill.mm + 1e-9)
}

export function findDrill(name: string): Drill | undefined {
  for (const series of allSeries) {
    const found = ALL[series].find((drill) => drill.name === name)
    if (found) return found
  }
  return undefined
}

export function fractionName(numerator: number, denominator: number): string {
  let n = numerator
  let d = denominator
  while (n % 2 === 0 && d % 2 === 0) {
    n /= 2
    d /= 2
  }
  return d === 1 ? String(n) : `${n}/${d}`
}
