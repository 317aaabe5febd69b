import { refuse, type Result } from '../../base/refusal/index.ts'

/** A sample: seconds from the trace's first one, and what the instrument said. */
export type Sample = readonly [seconds: number, value: number]

/** A trace packed for the log: both differences from sample to sample, in steps, five bits a character. */
export interface PackedTrace {
  instrument: string
  unit: string
  /** of time, s, and of the value */
  steps: { s: number; value: number }
  count: number
  packed: string
  /** of `packed`, 64 hexadecimal figures; traces that no instrument wrote lack it */
  sha256?: string | undefined
}

/** Characters that a packed trace may have at most. */
export const MOST_PACKED = 12_000
const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'

function number(value: number): string {
  let rest = value < 0 ? -value * 2 + 1 : value * 2
  let text = ''
  do {
    const low = rest % 32
    rest = Math.floor(rest / 32)
    text += DIGITS[rest > 0 ? low + 32 : low]
  } while (rest > 0)
  return text
}

/**
 * Packs a trace to `steps` (time to 1/100 s, the value to `step`). One that is too long for the log is thinned: every second sample,
 * every third and so on, the last one kept.
 */
export function packTrace(
  samples: readonly Sample[],
  instrument: string,
  unit: string,
  step: number,
): PackedTrace {
  const steps = { s: 0.01, value: step }
  for (let every = 1; ; every++) {
    const kept = samples.filter((_, i) => i % every === 0 || i === samples.length - 1)
    let [t, v] = [0, 0]
    const packed = kept
      .map(([seconds, value]) => {
        const at = [Math.round(seconds / steps.s), Math.round(value / step)] as const
        const text = number(at[0] - t) + number(at[1] - v)
        ;[t, v] = at
        return text
      })
      .join('')
    if (packed.length <= MOST_PACKED || kept.length <= 2)
      return { instrument, unit, steps, count: kept.length, packed }
  }
}

/** The samples of a packed trace. Refuses `packed` where it is not one. */
export function unpackTrace({ steps, count, packed }: PackedTrace): Result<Sample[]> {
  const numbers: number[] = []
  let value = 0
  let place = 1
  for (const character of packed) {
    const digit = DIGITS.indexOf(character)
    if (digit < 0) return refuse('packed', 'This trace cannot be read any more.')
    value += (digit % 32) * place
    place *= 32
    if (digit < 32) {
      numbers.push(value % 2 ? -(value - 1) / 2 : value / 2)
      value = 0
      place = 1
    }
  }
  if (numbers.length !== 2 * count) return refuse('packed', 'This trace cannot be read any more.')
  let [t, v] = [0, 0]
  return Array.from({ length: count }, (_, i): Sample => {
    t += numbers[2 * i]!
    v += numbers[2 * i + 1]!
    return [t * steps.s, v * steps.value]
  })
}
