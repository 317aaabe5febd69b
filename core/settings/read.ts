import { isRefusal, refuse, type Result } from '../refusal/index.ts'
import {
  alsoAs,
  otherSenses,
  parseCount,
  parseLength,
  parseNotches,
  parseTurns,
  type Sense,
} from '../measure/index.ts'
import type { SettingSpec } from '../sheets/schemas.ts'

export interface Read {
  value: number
  also: string
  /** other senses that fit the field better: ask, never pick silently */
  ask: Sense[]
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
