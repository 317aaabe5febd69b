import * as v from 'valibot'
import { LocalDate, refusal, Words } from '../entry.ts'
import { defineKind } from '../kind.ts'

const name = (what: string) => v.pipe(v.string(), v.trim(), v.minLength(1, `Type ${what}.`), v.maxLength(120))

export const symptoms = [
  'hard start',
  'runs only on choke',
  'flooding',
  'weeps',
  'bog on opening',
  'dies on opening',
  'flat spot',
  'hanging idle',
  'sagging idle',
  'pops on the overrun',
  'hunting',
  'surge',
  'smoke',
  'leak',
  'no top end',
  'none: overhaul',
] as const
export const bands = ['idle', 'just off idle', 'middle', 'wide open', 'everywhere'] as const
export const temperatures = ['cold', 'hot', 'both'] as const

export const jobOpened = defineKind({
  kind: 'job.opened',
  version: 1,
  station: 'receive',
  schema: v.object({
    customer: name('the customer'),
    engine: name('the engine'),
    equipment: name('what it drives'),
    aircraft: v.boolean(),
    ethanol: v.nullable(
      v.pipe(v.number(), v.minValue(0), v.maxValue(1, 'The ethanol share is at most 100 %.')),
    ),
    pressureKpa: v.nullable(
      v.pipe(v.number(), v.minValue(0), v.maxValue(700, 'That pressure is above 700 kPa: is it in kPa?')),
    ),
    headMm: v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(20000))),
    altitudeM: v.nullable(v.pipe(v.number(), v.minValue(-500), v.maxValue(9000))),
    promise: LocalDate,
    complaint: v.object({
      symptom: v.picklist(symptoms),
      band: v.picklist(bands),
      temperature: v.picklist(temperatures),
      words: Words,
    }),
  }),
  key: () => '',
  admit: (state, { data, corrects }) => {
    if (data.aircraft)
      return refusal(
        'aircraft',
        'Carburetors of aircraft are not serviced here: they belong to a certificated repair station. Nothing was opened.',
        'aircraft',
      )
    if (state.opened && !corrects) return refusal('opened', 'This job is open already.')
    return undefined
  },
  apply: (state, { data, by, at }) => {
    const { aircraft: _, ...opened } = data
    return { ...state, opened: { ...opened, by, at } }
  },
  sentence: (data) => `took it in for ${data.customer}: ${data.complaint.words || data.complaint.symptom}`,
})
