import { MM_PER_INCH } from '../base/constants/index.ts'
import { fractionName, nearestDrill } from './drills.ts'

export type ShownQuantity = 'length' | 'gap' | 'bore' | 'turns' | 'notches' | 'count' | 'mass'

/** A figure with as many places as its size bears: 0.29, 13.1, 118. */
export function figure(
  value: number,
  places = Math.abs(value) < 1 ? 2 : Math.abs(value) < 100 ? 1 : 0,
): string {
  const text = value.toFixed(places)
  return Number(text) === 0 ? text.replace('-', '') : text
}

/** A stored value as the bench says it. Turns are whole eighths, notches rich positive, lengths mm. */
export function showValue(value: number, quantity: ShownQuantity): string {
  switch (quantity) {
    case 'turns':
      return showTurns(value)
    case 'notches':
      return value === 0 ? 'index' : `${Math.abs(value)} ${value > 0 ? 'rich' : 'lean'}`
    case 'count':
      return String(value)
    case 'gap':
    case 'bore':
      return figure(value, 2)
    default:
      return figure(value, 1)
  }
}

/** Eighths of a turn as a mixed number: 11 → `1 3/8`. */
export function showTurns(eighths: number): string {
  const whole = Math.floor(eighths / 8)
  const rest = eighths - whole * 8
  if (rest === 0) return String(whole)
  return whole === 0 ? fractionName(rest, 8) : `${whole} ${fractionName(rest, 8)}`
}

/** The same reading the other way round: inches for millimetres, and for gaps and bores the nearest drill. */
export function alsoAs(mm: number, quantity: ShownQuantity): string {
  if (quantity === 'turns' || quantity === 'notches' || quantity === 'count' || quantity === 'mass') return ''
  const inches = `${(mm / MM_PER_INCH).toFixed(3)} in`
  if (quantity === 'length' || mm < 0.3) return inches
  return `${inches}, drill ${nearestDrill(mm, ['number', 'letter']).name}`
}
