/** What a computation returns where its inputs lie outside its domain: which input, and why, as a sentence. */
export interface Refusal {
  refused: { input: string; why: string }
}

export type Result<T> = T | Refusal

export const refuse = (input: string, why: string): Refusal => ({ refused: { input, why } })

export const isRefusal = (value: unknown): value is Refusal =>
  typeof value === 'object' && value !== null && 'refused' in value

/** An input's name as a person reads it: `heightReading` is the height reading. */
const inWords = (name: string): string =>
  name
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/_/g, ' ')
    .toLowerCase()

const sentence = (name: string, rest: string): string => {
  const words = inWords(name)
  return `The ${words} ${rest}.`
}

/** The first input that is not a finite number, or lies below its least allowed value; undefined where all are fit. */
export function checkNumbers(
  inputs: Record<string, number>,
  limits: { min?: Record<string, number>; above?: Record<string, number> } = {},
): Refusal | undefined {
  for (const [name, value] of Object.entries(inputs)) {
    if (typeof value !== 'number' || !Number.isFinite(value))
      return refuse(name, sentence(name, 'must be a number'))
    const least = limits.min?.[name]
    if (least !== undefined && value < least)
      return refuse(name, sentence(name, `must not be below ${least}`))
    const bound = limits.above?.[name]
    if (bound !== undefined && value <= bound)
      return refuse(name, sentence(name, `must be more than ${bound}`))
  }
  return undefined
}
