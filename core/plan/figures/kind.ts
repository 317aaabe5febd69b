import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { parseLength, plainNumber } from '../../measure/index.ts'

export type XY = readonly [x: number, y: number]

/** What a figure's drawing is made of, mm (or what its box says), y down. */
export type Shape =
  | { is: 'line'; points: readonly XY[]; as: 'ink' | 'thin' | 'dash' | 'blue' | 'red' | 'centre' }
  | { is: 'area'; points: readonly XY[]; as: 'hatch' | 'fuel' | 'tint' | 'paper' | 'blue' }
  | { is: 'circle'; at: XY; r: number; as: 'ink' | 'thin' | 'blue' }
  | {
      is: 'text'
      at: XY
      words: string
      as: 'ink' | 'pencil' | 'blue' | 'red'
      align?: 'start' | 'middle' | 'end'
    }
  | { is: 'size'; from: XY; to: XY; words: string; as: 'ink' | 'blue' }

/** One thing that is typed. */
export interface Field {
  key: string
  name: string
  unit: string
  blank: string
  lo: number
  hi: number
  /** a length is read as the bench types it: mm, inches, fractions, drills */
  isLength?: true
  /** one of a few instead of a number */
  choices?: readonly string[]
}

/** What lies near: a drill, a washer, a size that exists. */
export interface Near {
  name: string
  words: string
  fits: boolean
  isOn: boolean
}

/** A figure worked out. */
export interface Worked {
  headline: string
  /** what it comes to, each with what it is */
  rows: readonly (readonly [name: string, value: string])[]
  shapes: readonly Shape[]
  /** what the drawing needs: left, top, width, height */
  box: readonly [number, number, number, number]
  near?: readonly Near[]
  nearWords?: string
  /** what is assumed or does not hold */
  note?: string
}

export type Values = Readonly<Record<string, number>>
export type Words = Readonly<Record<string, string>>

/** A calculation of the product by itself: what it asks, and what it makes of that. */
export interface FigureKind {
  name: string
  /** as its tab calls it */
  short: string
  title: string
  fields: readonly Field[]
  work: (values: Values, words: Words) => Result<Worked>
}

const PLAIN = /^[-−]?\d*[.,]?\d+$/

/** What was typed into a field, as a number. Refused by the field. */
function valueOf(field: Field, text: string): Result<number> {
  const written = text.trim().replace('−', '-')
  if (field.isLength) {
    const read = parseLength(written)
    if (isRefusal(read)) return refuse(field.key, read.refused.why)
    return within(field, read.mm)
  }
  const value = PLAIN.test(written) ? plainNumber(written) : Number.NaN
  if (!Number.isFinite(value))
    return refuse(
      field.key,
      `“${text.trim()}” is not a number. Type ${field.name.toLowerCase()}${field.unit ? ` in ${field.unit}` : ''}.`,
    )
  return within(field, value)
}

const within = ({ key, name, lo, hi, unit }: Field, value: number): Result<number> =>
  value < lo || value > hi ? refuse(key, `${name} is ${lo} to ${hi}${unit ? ` ${unit}` : ''}.`) : value

/** A figure of what was typed; what is missing is as in its example. Refused by the field that is at fault. */
export function worked({ fields, work }: FigureKind, typed: Words): Result<Worked> {
  const values: Record<string, number> = {}
  const words: Record<string, string> = {}
  for (const field of fields) {
    const text = typed[field.key] ?? field.blank
    words[field.key] = field.choices && !field.choices.includes(text) ? field.blank : text
    if (field.choices) continue
    const value = valueOf(field, text)
    if (isRefusal(value)) return value
    values[field.key] = value
  }
  return work(values, words)
}

export const circleOf = (at: XY, r: number, from = 0, to = 2 * Math.PI, steps = 48): XY[] =>
  Array.from({ length: steps + 1 }, (_, i) => {
    const a = from + ((to - from) * i) / steps
    return [at[0] + r * Math.cos(a), at[1] + r * Math.sin(a)]
  })

export const box4 = (x: number, y: number, w: number, h: number): XY[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
