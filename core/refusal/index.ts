/** What a computation returns where its inputs lie outside its domain: which input, and why, as a sentence. */
export interface Refusal {
  refused: { input: string; why: string }
}

export type Result<T> = T | Refusal

export const refuse = (input: string, why: string): Refusal => ({ refused: { input, why } })

export const isRefusal = (value: unknown): value is Refusal =>
  typeof value === 'object' && value !== null && 'refused' in value

/** The first input that is not a finite number, or lies below its least allowed value; undefined where all are fit. */
export function checkNumbers(
  inputs: Record<string, number>,
  limits: { min?: Record<string, number>; above?: Record<string, number> } = {},
): Refusal | undefined {
  for (const [name, value] of Object.entries(inputs)) {
    if (typeof value !== 'number' || !Number.isFinite(value)) return refuse(name, `${name} must be a number`)
    const least = limits.min?.[name]
    if (least !== undefined && value < least) return refuse(name, `${name} must not be below ${least}`)
    const bound = limits.above?.[name]
    if (bound !== undefined && value <= bound) return refuse(name, `${name} must be more than ${bound}`)
  }
  return undefined
}
