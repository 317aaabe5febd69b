import { MM_PER_INCH } from '../../base/constants/index.ts'
import { refuse, type Result } from '../../base/refusal/index.ts'

/** What an instrument measures, each in the unit that Ekrond reckons in. */
export const quantities = {
  pressure: 'kPa',
  length: 'mm',
  mass: 'g',
  volume: 'mL',
  flow: 'mL/min',
  time: 's',
  current: 'A',
  voltage: 'V',
  resistance: 'ohm',
  speed: 'rpm',
  temperature: '°C',
} as const
export type Quantity = keyof typeof quantities

/** Units as instruments write them: their quantity, and how many of Ekrond's unit one of them is. */
const UNITS: Readonly<Record<string, readonly [Quantity, number]>> = {
  kpa: ['pressure', 1],
  pa: ['pressure', 0.001],
  mbar: ['pressure', 0.1],
  hpa: ['pressure', 0.1],
  bar: ['pressure', 100],
  psi: ['pressure', 6.894757],
  inhg: ['pressure', 3.386389],
  mmhg: ['pressure', 0.1333224],
  cmhg: ['pressure', 1.333224],
  inh2o: ['pressure', 0.2490889],
  mmh2o: ['pressure', 0.00980665],
  mm: ['length', 1],
  cm: ['length', 10],
  in: ['length', MM_PER_INCH],
  g: ['mass', 1],
  kg: ['mass', 1000],
  oz: ['mass', 28.349523],
  ml: ['volume', 1],
  cc: ['volume', 1],
  cm3: ['volume', 1],
  'ml/min': ['flow', 1],
  'cc/min': ['flow', 1],
  'l/min': ['flow', 1000],
  s: ['time', 1],
  min: ['time', 60],
  a: ['current', 1],
  ma: ['current', 0.001],
  v: ['voltage', 1],
  ohm: ['resistance', 1],
  rpm: ['speed', 1],
  '1/min': ['speed', 1],
  '°c': ['temperature', 1],
  c: ['temperature', 1],
}

export interface InstrumentReading {
  quantity: Quantity
  /** in Ekrond's unit */
  value: number
  /** as it was written */
  unit: string
}

/** The longest line that is looked at. */
export const MOST_LINE = 64

/**
 * One line of an instrument, `<value> <unit>`: a figure with point or comma, then a unit that is known. Refuses `line` with the
 * sentence that a person acts on.
 */
export function readLine(line: string): Result<InstrumentReading> {
  const read = /^\s*([+-]?\d{1,9}(?:[.,]\d{1,6})?)\s*([^\d\s]\S{0,9}|1\/min)\s*$/u.exec(
    line.slice(0, MOST_LINE + 1),
  )
  if (!read)
    return refuse('line', 'That is no reading: an instrument writes a figure and its unit, 37.8 kPa.')
  const unit = read[2]!
  const known = UNITS[unit.toLowerCase()]
  if (!known) return refuse('line', `The unit “${unit}” is none that is known here.`)
  const value = Number(read[1]!.replace(',', '.'))
  return { quantity: known[0], value: value * known[1], unit }
}

/**
 * A typed figure, with or without a unit, as a quantity in Ekrond's unit. Refuses `text`: another quantity's unit, or no figure.
 */
export function readTyped(text: string, quantity: Quantity): Result<number> {
  const bare = /^\s*[+-]?\d{1,9}(?:[.,]\d{1,6})?\s*$/.exec(text)
  if (bare) return Number(text.replace(',', '.'))
  const read = readLine(text)
  if ('refused' in read) return refuse('text', read.refused.why)
  return read.quantity === quantity
    ? read.value
    : refuse('text', `That is in ${read.unit}; here ${quantities[quantity]} are asked.`)
}

const PSI = UNITS.psi![1]

/** Whether a pressure looks as if it were typed in psi, by a factor of 6.9: what it would be, kPa; null where it does not. */
export function likelyPsi(kpa: number, wanted: number): number | null {
  if (!(kpa > 0) || !(wanted > 0)) return null
  const asPsi = kpa * PSI
  return kpa < wanted / 3 && asPsi > wanted * 0.7 && asPsi < wanted * 1.4 ? asPsi : null
}
