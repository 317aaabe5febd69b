import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import {
  alsoAs,
  findDrill,
  nextLarger,
  otherSenses,
  parseCount,
  parseLength,
  parseNotches,
  parseTurns,
  type ReadingSense,
} from '../../measure/index.ts'
import type { SettingSpec } from '../../sheets/index.ts'

export interface Read {
  value: number
  also: string
  /** other senses that fit the field better: ask, never pick silently */
  ask: ReadingSense[]
}

/** A reading as typed in the notation of its setting. Lengths mm, turns eighths, notches signed, holes counted. Refuses `text`. */
export function readSetting(
  spec: Pick<SettingSpec, 'quantity' | 'unit' | 'target' | 'hi' | 'lo'>,
  text: string,
): Result<Read> {
  switch (spec.quantity) {
    case 'turns': {
      const read = parseTurns(text)
      return isRefusal(read) ? read : { value: read.eighths, also: '', ask: [] }
    }
    case 'notches': {
      const read = parseNotches(text)
      return isRefusal(read) ? read : { value: read.notches, also: '', ask: [] }
    }
    case 'count': {
      const read = parseCount(text)
      return isRefusal(read) ? read : { value: read.count, also: '', ask: [] }
    }
    default: {
      const read = parseLength(text, spec.unit)
      if (isRefusal(read)) return read
      // A drill stands in a gap or a bore; a height is measured.
      if (spec.quantity === 'length' && (read.sense === 'drill' || read.sense === 'letter'))
        return refuse('text', `“${text.trim()}” is a drill, and this is a length. Type it as 14.5 or 9/16.`)
      if (read.mm > 200)
        return refuse('text', `${read.mm.toFixed(0)} mm is larger than the carburetor. Type it again.`)
      const near = spec.target ?? spec.hi ?? spec.lo ?? 0
      const senses = otherSenses(text, read.mm, near)
      const ask =
        spec.quantity === 'length' ? senses.filter((sense) => !sense.as.startsWith('drill')) : senses
      return { value: read.mm, also: alsoAs(read.mm, spec.quantity), ask }
    }
  }
}

/**
 * Whether a stored value is what its raw text reads as: for a text that has several senses any one of them, for a drill's bracket its
 * middle. A text that older programs understood and this one does not is let stand.
 */
export function isReadFrom(
  spec: Parameters<typeof readSetting>[0],
  raw: string,
  value: number,
  bracket: { go: number; no: number } | null = null,
): boolean {
  if (bracket) return Math.abs((bracket.go + bracket.no) / 2 - value) < SAME_MM
  const read = readSetting(spec, raw)
  if (isRefusal(read)) return true
  // A drill that entered while the next did not was valued between the two, before readings kept their bracket.
  const drill = findDrill(raw.trim().toUpperCase())
  const next = drill && nextLarger(drill)
  if (next && value >= drill.mm && value <= next.mm) return true
  return (
    Math.abs(read.value - value) < SAME_MM || read.ask.some((sense) => Math.abs(sense.mm - value) < SAME_MM)
  )
}

/** Two values nearer than this are one, typed and stored. */
const SAME_MM = 1e-6
