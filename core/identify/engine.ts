import { figure } from '../measure/index.ts'
import type { SpecSheet } from '../sheets/index.ts'

/** A displacement further off than this share is another engine: rebores and roundings lie within it. */
const ANOTHER = 1.25

/** The displacement (L) that the words for an engine name, as 'ferry main, 2.2 L' or '360 cc'; null where they name none. */
export function displacementOf(words: string): number | null {
  const said = /(\d+(?:[.,]\d+)?)\s*(cc|ccm|cm³|cm3|l|litres?|liters?)\b/i.exec(words)
  if (!said) return null
  const value = Number(said[1]!.replace(',', '.'))
  if (!(value > 0)) return null
  return /^c/i.test(said[2]!) ? value / 1000 : value
}

/**
 * Whether the engine that a unit is said to come from is another one than its list number is for: right number, wrong engine. `bodies`
 * is how many units share it. Empty where nobody said a displacement, or it fits. A taught unit's engine is only lent: nothing is said.
 */
export function engineDoubt(
  words: string,
  bodies: number,
  { listNumber, engine, taught }: Pick<SpecSheet, 'listNumber' | 'engine' | 'taught'>,
): string {
  const said = displacementOf(words)
  if (said === null || taught) return ''
  const each = said / Math.max(1, bodies)
  const ratio = each / engine.displacementL
  if (ratio <= ANOTHER && ratio >= 1 / ANOTHER) return ''
  const whose = bodies > 1 ? `${figure(each, 2)} L for each of ${bodies}` : `${figure(said, 2)} L`
  return `The right number, the wrong engine? ${listNumber} is for ${figure(engine.displacementL, 2)} L, this one comes from ${whose}: ask which it goes on.`
}
