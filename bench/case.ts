import { isRefusal, type Refusal, type Result } from '@ekrond/core/base/refusal'

export type Case = Record<string, unknown>
export type Answer = Record<string, unknown> | Refusal

export const DEG = Math.PI / 180

/** A number of the case; `fallback` where it is left out. What is no number becomes NaN, which the computations refuse by name. */
export const number = (given: Case, name: string, fallback?: number): number => {
  const value = given[name]
  if (value === undefined && fallback !== undefined) return fallback
  return typeof value === 'number' ? value : NaN
}
export const degrees = (given: Case, name: string, fallback?: number) => number(given, name, fallback) * DEG

export const answer = <T>(result: Result<T>, shape: (value: T) => Record<string, unknown>): Answer =>
  isRefusal(result) ? result : shape(result)
