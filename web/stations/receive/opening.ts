import type { DataOf, Opened } from '@ekrond/core/log'

/** What is typed and picked at the counter, as it stands in its fields. */
export type Opening = Record<
  | 'customer'
  | 'engine'
  | 'equipment'
  | 'ethanol'
  | 'pressure'
  | 'head'
  | 'altitude'
  | 'tilt'
  | 'boosted'
  | 'marine'
  | 'bodies'
  | 'earlier'
  | 'promise'
  | 'symptom'
  | 'band'
  | 'temperature'
  | 'when'
  | 'words'
  | 'ran'
  | 'aircraft',
  string
>

export const emptyOpening: Opening = {
  customer: '',
  engine: '',
  equipment: '',
  ethanol: '',
  pressure: '',
  head: '',
  altitude: '',
  tilt: '',
  boosted: '',
  marine: '',
  bodies: '1',
  earlier: '',
  promise: '',
  symptom: '',
  band: '',
  temperature: '',
  when: '',
  words: '',
  ran: '',
  aircraft: '',
}

/** An opening as its fields would show it. */
export const typedFrom = (opened: Opened): Opening => {
  const shown = (value: number | null) => (value === null ? '' : String(value))
  return {
    customer: opened.customer,
    engine: opened.engine,
    equipment: opened.equipment,
    ethanol: opened.ethanol === null ? '' : String(Math.round(opened.ethanol * 1000) / 10),
    pressure: shown(opened.pressureKpa),
    head: shown(opened.headMm),
    altitude: shown(opened.altitudeM),
    tilt: shown(opened.tiltDeg),
    boosted: opened.boosted ? 'yes' : '',
    marine: opened.marine ? 'yes' : '',
    bodies: String(opened.bodies),
    earlier: shown(opened.earlier),
    promise: opened.promise,
    symptom: opened.complaint.symptom,
    band: opened.complaint.band,
    temperature: opened.complaint.temperature,
    when: opened.complaint.when,
    words: opened.complaint.words,
    ran: opened.ran === null ? '' : opened.ran ? 'yes' : 'no',
    aircraft: '',
  }
}

/** What a comeback has from its earlier job: whose it is, what it came from, how it is installed. The promise and the complaint are new. */
export const comesBackAs = (opened: Opened): Partial<Opening> => {
  const {
    promise: _p,
    symptom: _s,
    band: _b,
    temperature: _t,
    when: _w,
    words: _o,
    ran: _r,
    ...same
  } = typedFrom(opened)
  return { ...same, earlier: '' }
}

type Wrong = { field: keyof Opening; sentence: string }

/** Units that a customer may say it in: feet in metres, psi in kPa, inches in millimetres. */
const OTHER_UNITS: Readonly<Record<string, number>> = { ft: 0.3048, feet: 0.3048, psi: 6.894757, in: 25.4 }

/** A figure as it is typed in the opening form, with or without its unit; null where nothing is, NaN where it is none. */
export function figureOf(typed: string): number | null {
  const other = /^(-?[\d.,]+)\s*(ft|feet|psi|in)$/i.exec(typed.trim())
  if (other) return Number(other[1]!.replace(',', '.')) * OTHER_UNITS[other[2]!.toLowerCase()]!
  const text = typed
    .trim()
    .replace(',', '.')
    .replace(/\s*(%|kpa|mm|m|°)$/i, '')
  return text === '' ? null : Number(text)
}

/** What was typed as an opening entry's data; a sentence where it cannot be. */
export function readOpening(typed: Opening, today: string): { data: DataOf['job.opened'] } | Wrong {
  const number = (field: keyof Opening, what: string): number | null | Wrong => {
    const value = figureOf(typed[field])
    return value === null || Number.isFinite(value)
      ? value
      : { field, sentence: `“${typed[field]}” is not a number of ${what}. Leave it empty if unknown.` }
  }
  const ethanol = number('ethanol', 'per cent')
  const pressureKpa = number('pressure', 'kPa')
  const headMm = number('head', 'mm')
  const altitudeM = number('altitude', 'm')
  const tiltDeg = number('tilt', 'degrees')
  const earlier = number('earlier', 'an earlier job')
  for (const read of [ethanol, pressureKpa, headMm, altitudeM, tiltDeg, earlier])
    if (typeof read === 'object' && read !== null) return read
  const need: [keyof Opening, string][] = [
    ['customer', 'Enter the customer.'],
    ['engine', 'Enter the engine it came from; “not known” is fine.'],
    ['equipment', 'Enter the equipment.'],
    ['promise', 'Enter the promised day.'],
    ['symptom', 'Choose the complaint, or “no complaint: overhaul”.'],
  ]
  for (const [field, sentence] of need) if (!typed[field].trim()) return { field, sentence }
  if (!/^\d{4}-\d{2}-\d{2}$/.test(typed.promise))
    return { field: 'promise', sentence: 'The promised day is not a date. Type it as 2026-11-26.' }
  if (typed.promise < today)
    return { field: 'promise', sentence: 'That day is past. Promise today or later.' }
  const complaint = {
    symptom: typed.symptom,
    band: typed.band || 'everywhere',
    temperature: typed.temperature || 'both',
    when: typed.when || 'any time',
    words: typed.words.trim(),
  } as DataOf['job.opened']['complaint']
  return {
    data: {
      customer: typed.customer.trim(),
      engine: typed.engine.trim(),
      equipment: typed.equipment.trim(),
      aircraft: typed.aircraft === 'yes',
      ethanol: ethanol === null ? null : (ethanol as number) / 100,
      pressureKpa: pressureKpa as number | null,
      headMm: headMm as number | null,
      altitudeM: altitudeM as number | null,
      tiltDeg: tiltDeg as number | null,
      boosted: typed.boosted === 'yes',
      marine: typed.marine === 'yes',
      bodies: Number(typed.bodies),
      earlier: earlier as number | null,
      promise: typed.promise,
      ran: typed.ran === 'yes' ? true : typed.ran === 'no' ? false : null,
      complaint,
    },
  }
}
