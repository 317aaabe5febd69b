import { isRefusal, refuse, type Result } from '../base/refusal/index.ts'
import { parseLength } from './parse.ts'
import { figure } from './show.ts'

/** How a maker numbers his jets: hundredths of a millimeter, or a flow with bores (mm) that belong to some numbers, rising. */
export type JetNumbers =
  | { by: 'hundredths' }
  | { by: 'flow'; table: readonly (readonly [number: number, mm: number])[] }

/** A jet’s size as it was read: its bore, mm, and the number that stands on it where it was one. */
export interface JetSize {
  mm: number
  number: string | null
}

/** No jet has a bore of so many millimeters: a plain figure from there on is a number. */
const NUMBERS_FROM = 20
const PLAIN = /^\d+([.,]\d+)?$/

/** The bore that a flow number stands for, mm: flow goes with area, so that between two of the table the bore's square is shared. Refused beyond it. */
function boreOfFlow(
  table: readonly (readonly [number: number, mm: number])[],
  number: number,
): Result<number> {
  const i = table.findIndex(([at]) => at >= number)
  const above = table[i]
  const below = table[i - 1] ?? above
  if (!above || !below || number < table[0]![0])
    return refuse(
      'text',
      `This maker’s numbers go from ${table[0]![0]} to ${table.at(-1)![0]}: ${number} is none of them. Measure its bore.`,
    )
  const share = above === below ? 0 : (number - below[0]) / (above[0] - below[0])
  return Math.sqrt(below[1] ** 2 + share * (above[1] ** 2 - below[1] ** 2))
}

/**
 * A jet's size as a technician types it: a bore (`1.18`, `#56`, `1.2 mm`) or the number that stands on it (`118`, `117.5`) by its maker's
 * own way of counting. Refused where nobody knows whose numbers they are, and beyond a maker's table.
 */
export function readJetSize(text: string, numbers: JetNumbers | null | undefined): Result<JetSize> {
  const typed = text.trim()
  const number = PLAIN.test(typed) ? Number(typed.replace(',', '.')) : NaN
  if (!(number >= NUMBERS_FROM)) {
    const read = parseLength(typed)
    return isRefusal(read) ? read : { mm: read.mm, number: null }
  }
  if (!numbers)
    return refuse(
      'text',
      `${typed} is a number, not a bore: by one maker’s counting ${figure(number / 100, 2)} mm, by another’s a flow. Whose is not in the library: measure its bore.`,
    )
  const mm = numbers.by === 'hundredths' ? number / 100 : boreOfFlow(numbers.table, number)
  return isRefusal(mm) ? mm : { mm: Math.round(mm * 1000) / 1000, number: typed }
}
