import { MM_PER_INCH } from '../base/constants/index.ts'
import { figure, findDrill, parseQuantity } from '../measure/index.ts'
import { isRefusal, refuse, type Result } from '../base/refusal/index.ts'

/** Something of a taught unit that one look or one measurement tells. */
export interface Fact {
  code: string
  name: string
  /** how it is taken, in one sentence */
  how: string
  /** what it is read with; a look is answered by one of its choices */
  by: 'caliper' | 'scale' | 'pins' | 'look'
  unit: 'mm' | 'mm²' | 'g' | ''
  minutes: number
  /** what a carburetor can have; outside it is asked again */
  least: number
  most: number
  /** σ of one reading, in its own unit */
  sigma: number
  choices?: readonly { value: string; label: string }[]
}

/** Round ends of a float take this share of its length × width (`docs/physics.md` 18). */
const FORM = 0.9

const look = (code: string, name: string, how: string, choices: Fact['choices']): Fact => ({
  code,
  name,
  how,
  by: 'look',
  unit: '',
  minutes: 0.3,
  least: 0,
  most: 0,
  sigma: 0,
  choices: choices!,
})

const length = (code: string, name: string, how: string, least: number, most: number, sigma = 0.2): Fact => ({
  code,
  name,
  how,
  by: 'caliper',
  unit: 'mm',
  minutes: 0.5,
  least,
  most,
  sigma,
})

/** Everything that is asked of a float, and of a mixture screw, in the order in which it matters. */
export const facts: readonly Fact[] = [
  look('float.sense', 'What the height is read from', 'Where does the gauge stand when the height is read?', [
    { value: 'from the face', label: 'on the face, down to the float' },
    { value: 'from the floor', label: 'on the bowl’s floor, up to the float' },
  ]),
  look('float.correction', 'How the height is corrected', 'What moves it on this unit?', [
    { value: 'tang', label: 'its tang is bent' },
    { value: 'arm', label: 'its arm is bent' },
    { value: 'washer', label: 'a washer under the seat' },
    { value: 'none', label: 'nothing does' },
  ]),
  length('float.arm', 'Pin to toe', 'Caliper over hinge pin and toe, less half the pin.', 8, 120, 0.3),
  length(
    'float.tang',
    'Pin to the needle’s axis',
    'Caliper from the pin’s middle square to the needle’s axis.',
    2,
    30,
  ),
  {
    ...length('seat.bore', 'Seat bore', 'The largest pin or drill shank that enters the seat.', 0.6, 6, 0.02),
    by: 'pins',
  },
  {
    code: 'float.mass',
    name: 'Float’s mass',
    how: 'On the scale, dry and without its pin. One that rattles says nothing of a new one.',
    by: 'scale',
    unit: 'g',
    minutes: 0.5,
    least: 1,
    most: 80,
    sigma: 0.1,
  },
  {
    code: 'float.area',
    name: 'Float from above',
    how: 'Length × width, as 38 x 22; two pontoons as 38 x 11 x 2. Or traced on a photograph.',
    by: 'caliper',
    unit: 'mm²',
    minutes: 1,
    least: 80,
    most: 6000,
    // Five in a hundred: form and caliper together; the entry has its own.
    sigma: 40,
  },
  length(
    'float.pin',
    'Pin below the face',
    'Depth rod from the face to the pin, plus half the pin. Above it: with a minus.',
    -30,
    60,
  ),
  length('float.depth', 'Float’s depth', 'Caliper over the float, top to underside.', 3, 50),
  length(
    'pin.floor',
    'Pin over the bowl’s floor',
    'Depth rod from the pin’s height to the bowl’s floor.',
    2,
    80,
  ),
  look('mixture.kind', 'What flows past the mixture screw', 'Where does its tip sit?', [
    { value: 'fuel', label: 'engine side: mixture, out is richer' },
    { value: 'air', label: 'intake side: air, in is richer' },
  ]),
]

export const factOf = (code: string): Fact | undefined => facts.find((fact) => fact.code === code)

export interface ReadFact {
  value: number
  sigma: number
  /** what it was read as, where that is not what was typed */
  also: string
}

/** A measured fact as typed: `46.2`, `47.5 - 1.3`, `38 x 22 x 2` (mm, g), `#42` for a bore. Refuses `text` with the sentence to act on. */
export function readFact(fact: Fact, text: string): Result<ReadFact> {
  const raw = text.trim().replaceAll(',', '.')
  if (raw === '') return refuse('text', 'Type what the gauge shows.')
  if (fact.unit === 'mm²') return readArea(fact, raw)
  const less = /^(\d+(?:\.\d+)?)\s*[-−]\s*(\d+(?:\.\d+)?)$/.exec(raw)
  let value: number
  if (less) value = Number(less[1]) - Number(less[2])
  else if (fact.by === 'pins' && findDrill(raw)) value = findDrill(raw)!.mm
  else {
    const minus = /^[-−]/.test(raw)
    const read = parseQuantity(minus ? raw.slice(1) : raw, fact.unit === 'g' ? 'g' : 'mm')
    if (isRefusal(read)) return read
    value = minus ? -read.value : read.value
  }
  return within(fact, value, fact.sigma, less || fact.by === 'pins' ? `${figure(value, 2)} ${fact.unit}` : '')
}

function readArea(fact: Fact, raw: string): Result<ReadFact> {
  const read = /^(\d+(?:\.\d+)?)\s*[x×*]\s*(\d+(?:\.\d+)?)(?:\s*[x×*]\s*([12]))?$/i.exec(raw)
  if (!read) return refuse('text', 'Type length × width in mm, as 38 x 22; two pontoons as 38 x 11 x 2.')
  const area = Math.round(10 * FORM * Number(read[1]) * Number(read[2]) * Number(read[3] ?? 1)) / 10
  return within(fact, area, 0.05 * area, `${figure(area, 0)} mm² with round ends`)
}

function within(fact: Fact, value: number, sigma: number, also: string): Result<ReadFact> {
  if (value >= fact.least && value <= fact.most) return { value, sigma, also }
  const inch = value * MM_PER_INCH
  const slip =
    inch >= fact.least && inch <= fact.most && fact.unit === 'mm'
      ? ` Inches? Then type ${figure(inch)}.`
      : ' Measure it again.'
  return refuse(
    'text',
    `${figure(value, 2)} ${fact.unit} cannot be: ${fact.name.toLowerCase()} lies between ${fact.least} and ${fact.most}.${slip}`,
  )
}
