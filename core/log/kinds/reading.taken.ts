import * as v from 'valibot'
import { Amount, Code, GaugeCode } from '../entry.ts'
import type { Bracket, Shown } from '../measured/reading.ts'
import { places } from '../../sheets/index.ts'
import { defineKind, sayAgain, withBody } from '../kind.ts'

/** A reading with all that it was judged by: nothing of it is judged again. */
export interface ReadingData {
  raw: string
  value: number
  sigma: number | null
  gauge: string | null
  bracket: Bracket | null
  shown: Shown
  /** the sheet that it was judged by: another one later makes it 'check again' */
  specRev: string
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    readings: Readonly<Record<string, Judged<ReadingData>>>
  }
}

const remedy = v.object({
  action: v.picklist([
    'bend tang',
    'bend arm',
    'change washer',
    'bend stop',
    'bend link',
    'turn cover',
    'turn screw',
    'move',
    'renew',
    'as said',
  ]),
  of: v.string(),
  way: v.string(),
  amount: v.pipe(v.number(), v.minValue(0)),
  unit: v.picklist(['mm', 'eighths', 'notches', 'steps', '']),
  words: v.string(),
  detail: v.string(),
  short: v.string(),
})

export const readingTaken = defineKind({
  kind: 'reading.taken',
  version: 2,
  station: 'set',
  upcasts: { 1: fromVersion1 },
  ofBody: true,
  slice: { body: { readings: {} } },
  schema: v.object({
    code: Code,
    place: v.picklist(places),
    raw: v.pipe(v.string(), v.minLength(1, 'Nothing was typed.'), v.maxLength(60)),
    value: Amount,
    gauge: v.nullable(GaugeCode),
    sigma: v.nullable(v.pipe(v.number(), v.gtValue(0))),
    bracket: v.nullable(v.object({ go: Amount, no: Amount })),
    specRev: v.pipe(v.string(), v.maxLength(80)),
    shown: v.object({
      verdict: v.picklist(['in', 'out', 'doubtful']),
      pIn: v.nullable(v.number()),
      headline: v.string(),
      meaning: v.string(),
      remedy: v.nullable(remedy),
      facts: v.array(v.string()),
      assumes: v.array(v.string()),
      asWritten: v.string(),
      target: v.nullable(v.number()),
      lo: v.nullable(v.number()),
      hi: v.nullable(v.number()),
    }),
  }),
  key: (data) => `${data.code}/${data.place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { data, by, at, id } = entry
      const key = `${data.code}/${data.place}`
      // Field by field: a long log is folded in a few milliseconds, and a rest of an object costs more than the fold.
      const reading: ReadingData = {
        raw: data.raw,
        value: data.value,
        sigma: data.sigma,
        gauge: data.gauge,
        bracket: data.bracket,
        shown: data.shown,
        specRev: data.specRev,
        by,
        at,
        entry: id,
      }
      return { readings: { ...body.readings, [key]: sayAgain(body.readings[key], reading, agree) } }
    }),
  sentence: (data, name) => `read ${name(`${data.code}/${data.place}`)}: ${data.raw}, ${data.shown.verdict}`,
})

/**
 * Whether a reading goes with the one before. After one that was out or doubtful somebody bent or turned: the next is a new try. One
 * that was in is left alone, so that another verdict, or a value beyond both gauges' error, is another opinion of the same thing.
 */
function agree(before: ReadingData, now: ReadingData): boolean {
  if (before.shown.verdict !== 'in') return true
  if (now.shown.verdict !== 'in') return false
  const sigma = Math.hypot(before.sigma ?? 0, now.sigma ?? 0)
  return sigma === 0 || Math.abs(before.value - now.value) <= 2.5 * sigma
}

interface Version1 {
  shown: {
    verdict: 'in' | 'out' | 'doubtful'
    headline: string
    meaning: string
    remedy: string | null
    asWritten: string
  }
}

// Version 1 kept the verdict with its sentences and neither band nor bracket.
function fromVersion1({ shown, ...data }: Version1) {
  return {
    ...data,
    bracket: null,
    shown: {
      ...shown,
      pIn: null,
      remedy: shown.remedy === null ? null : asSaid(shown.remedy),
      facts: [],
      assumes: [],
      target: null,
      lo: null,
      hi: null,
    },
  }
}

const asSaid = (words: string) => ({
  action: 'as said' as const,
  of: '',
  way: '',
  amount: 0,
  unit: '' as const,
  words,
  detail: '',
  short: words,
})
