import { refuse, type Result } from '../base/refusal/index.ts'
import { MM_PER_INCH } from '../base/constants/index.ts'
import { letterDrills, numberDrills } from './drills.ts'

export interface Length {
  mm: number
  /** How the figure was understood: what was typed decides, the field's unit only where nothing else does. */
  sense: 'mm' | 'in' | 'fraction' | 'drill' | 'letter'
}

/**
 * Reads a length as a technician types it: `14.5`, `14.5mm`, `.31`, `5/16`, `1 1/16`, `9/32"`, `#51`, `K`, `k`, `0,8 mm`.
 * A bare number takes `unit`; a bare fraction is inches whatever the field; a comma is a decimal comma.
 * Refuses `text`: nothing typed, negatives, `#0` and `#81` and up, a fraction over 0, anything else.
 */
export function parseLength(text: string, unit: 'mm' | 'in' = 'mm'): Result<Length> {
  const typed = clean(text)
  if (typed === '') return refuse('text', 'Nothing was typed. Type the reading, as 14.5, 9/16 or #51.')
  if (/^[-−–]/.test(typed)) return refuse('text', 'A length cannot be below zero. Type it without the minus.')

  const drill = /^(?:#|no\.?)\s*(\d+)$/i.exec(typed)
  if (drill) return numberDrill(Number(drill[1]))

  if (/^[a-z]$/i.test(typed)) {
    const letter = letterDrills[typed.toUpperCase().charCodeAt(0) - 65]
    if (letter) return { mm: letter.mm, sense: 'letter' }
  }

  const fraction = /^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)\s*(mm|in\.?|inch(?:es)?|")?$/i.exec(typed)
  if (fraction) {
    const [, whole, top, bottom, suffix] = fraction
    if (Number(bottom) === 0) return refuse('text', `${typed} divides by zero. Type the fraction again.`)
    if (suffix?.toLowerCase() === 'mm')
      return refuse('text', `${typed}: a fraction is inches. Type millimetres as a decimal.`)
    const inches = Number(whole ?? 0) + Number(top) / Number(bottom)
    return { mm: inches * MM_PER_INCH, sense: 'fraction' }
  }

  const number = /^(\d+(?:[.,]\d*)?|[.,]\d+)\s*(mm|in\.?|inch(?:es)?|"|'')?$/i.exec(typed)
  if (number) {
    const value = Number((number[1] ?? '').replace(',', '.'))
    const suffix = number[2]?.toLowerCase()
    const sense = suffix === undefined ? unit : suffix === 'mm' ? 'mm' : 'in'
    return { mm: sense === 'mm' ? value : value * MM_PER_INCH, sense }
  }
  return refuse('text', `“${typed}” is no length. Type it as 14.5, 0.57 in, 9/16, #51 or a letter drill.`)
}

function numberDrill(number: number): Result<Length> {
  const drill = numberDrills[number - 1]
  if (drill) return { mm: drill.mm, sense: 'drill' }
  return refuse('text', `There is no #${number} here: number drills run from #1 to #80. Type the size in mm.`)
}

/** Turns of a screw in whole eighths: `1 3/8`, `1.375`, `5/8`, `1,5`. Refuses `text` for negatives and what is no eighth. */
export function parseTurns(text: string): Result<{ eighths: number }> {
  const typed = clean(text).replace(/\s*(turns?|t)$/i, '')
  const read = parseMixedNumber(typed)
  if (read === undefined)
    return refuse('text', `“${text.trim()}” is no number of turns. Type 1 3/8 or 1.375.`)
  const eighths = read * 8
  if (Math.abs(eighths - Math.round(eighths)) > 0.02)
    return refuse('text', `${typed} is not in eighths of a turn. Type the nearest eighth, as 1 3/8.`)
  return { eighths: Math.round(eighths) }
}

/** Notches of a cover from its index, rich positive: `1 rich`, `2 lean`, `index`, `-1`, `0`. Refuses `text` otherwise. */
export function parseNotches(text: string): Result<{ notches: number }> {
  const typed = clean(text).toLowerCase()
  if (typed === 'index' || typed === 'i') return { notches: 0 }
  const read = /^([+\-−]?)\s*(\d+(?:[.,]5)?|1\/2)\s*(?:notch(?:es)?)?\s*(rich|r|lean|l)?$/.exec(typed)
  if (!read) return refuse('text', `“${text.trim()}” is no index. Type “index”, “1 rich” or “2 lean”.`)
  const size = read[2] === '1/2' ? 0.5 : Number((read[2] ?? '').replace(',', '.'))
  const word = read[3]
  if (word && read[1] && read[1] !== '+')
    return refuse('text', `“${text.trim()}” says it twice. Type the word or the sign, not both.`)
  const lean = word ? word.startsWith('l') : read[1] === '-' || read[1] === '−'
  return { notches: lean ? 0 - size : size }
}

/** A count of holes or grooves, 1 to 9: `2`, `hole 2`. Refuses `text` otherwise. */
export function parseCount(text: string): Result<{ count: number }> {
  const read = /^(?:hole|groove)?\s*([1-9])$/i.exec(clean(text))
  if (!read) return refuse('text', `“${text.trim()}” is no place in a row. Type its number, 1 to 9.`)
  return { count: Number(read[1]) }
}

/** A plain quantity at or above zero in the field's own unit, with or without that unit: `11.9`, `11,9 g`. Refuses `text`. */
export function parseQuantity(text: string, unit: string): Result<{ value: number }> {
  const typed = clean(text)
  const bare = typed.toLowerCase().endsWith(unit.toLowerCase()) ? typed.slice(0, -unit.length).trim() : typed
  if (!/^(\d+(?:[.,]\d*)?|[.,]\d+)$/.test(bare))
    return refuse('text', `“${text.trim()}” is no number of ${unit}. Type it as 11.9.`)
  return { value: Number(bare.replace(',', '.')) }
}

function parseMixedNumber(typed: string): number | undefined {
  const mixed = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(typed)
  if (mixed)
    return Number(mixed[3]) === 0 ? undefined : Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3])
  return /^(\d+(?:[.,]\d*)?|[.,]\d+)$/.test(typed) ? Number(typed.replace(',', '.')) : undefined
}

const SIGNS: Record<string, string> = {
  '⅛': '1/8',
  '¼': '1/4',
  '⅜': '3/8',
  '½': '1/2',
  '⅝': '5/8',
  '¾': '3/4',
  '⅞': '7/8',
  '⁄': '/',
  '″': '"',
  '”': '"',
}

/** A fraction at the end of a figure as its own sign, close to the whole: `1 3/8` is 1⅜. Others stay as they are. */
export const fractionSigns = (words: string): string =>
  words.replace(/ ?(\d\/\d)$/, (all, fraction: string) => {
    const sign = Object.keys(SIGNS).find((one) => SIGNS[one] === fraction)
    return sign ?? all
  })

function clean(text: string): string {
  return text
    .replace(/[⅛¼⅜½⅝¾⅞]/g, (sign) => ` ${SIGNS[sign] ?? sign}`)
    .replace(/[⁄″”]/g, (sign) => SIGNS[sign] ?? sign)
    .replace(/\s+/g, ' ')
    .trim()
}

/** A figure as it is typed, with point or comma; `otherwise` where nothing or no figure was. */
export function plainNumber(text: string, otherwise = NaN): number {
  const bare = text.trim().replace(',', '.')
  const value = Number(bare)
  return bare === '' || !Number.isFinite(value) ? otherwise : value
}
