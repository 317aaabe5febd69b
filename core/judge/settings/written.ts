import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { SettingSpec } from '../../sheets/index.ts'
import { readSetting } from './read.ts'

/** A value with its band as a sheet writes it, in stored units. */
export interface WrittenValue {
  asWritten: string
  target: number
  lo: number
  hi: number
}

/** Without a band of its own a length or a gap may be so far off, mm; what is counted is what it is. */
const USUAL: Readonly<Record<SettingSpec['quantity'], number>> = {
  length: 0.5,
  gap: 0.1,
  turns: 2,
  notches: 0,
  count: 0,
}

/**
 * What a setting should be as a technician writes it: `0.90 ±0.10`, `0.8 to 1.0`, `1 1/2`, `2`. Without a band the usual one of its kind
 * is taken. Refuses `text` where a part of it cannot be read, and where the lower limit lies above the upper one.
 */
export function readWritten(
  { quantity, unit }: Pick<SettingSpec, 'quantity' | 'unit'>,
  text: string,
): Result<WrittenValue> {
  const typed = text.trim()
  if (typed === '') return refuse('text', 'Type what it should be, as 0.90 ±0.10.')
  const read = (part: string) => readSetting({ quantity, unit, target: null, lo: null, hi: null }, part)
  const range = /^(.+?)\s+to\s+(.+)$/i.exec(typed)
  if (range) {
    const [lo, hi] = [read(range[1]!), read(range[2]!)]
    if (isRefusal(lo)) return lo
    if (isRefusal(hi)) return hi
    if (lo.value > hi.value)
      return refuse('text', 'The lower limit lies above the upper one: type the smaller first.')
    return { asWritten: typed, target: (lo.value + hi.value) / 2, lo: lo.value, hi: hi.value }
  }
  const [middle, band] = typed.split(/\s*(?:±|\+\/?-|\+−)\s*/)
  const target = read(middle!)
  if (isRefusal(target)) return target
  const by = band === undefined ? null : read(band)
  if (by && isRefusal(by)) return by
  const give = by ? by.value : USUAL[quantity]
  return {
    asWritten: typed,
    target: target.value,
    lo: quantity === 'notches' ? target.value - give : Math.max(0, target.value - give),
    hi: target.value + give,
  }
}
