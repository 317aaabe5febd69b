import * as v from 'valibot'
import { places } from '../../sheets/index.ts'
import { refusal } from '../entry.ts'
import { defineKind, sayAgain, stamp, withBody } from '../kind.ts'
import { bodyOf } from '../state.ts'

export const readingTaken = defineKind({
  kind: 'reading.taken',
  version: 1,
  ofBody: true,
  station: 'set',
  schema: v.object({
    code: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
    place: v.picklist(places),
    raw: v.pipe(v.string(), v.minLength(1, 'Nothing was typed.'), v.maxLength(60)),
    value: v.number(),
    gauge: v.nullable(v.pipe(v.string(), v.maxLength(40))),
    sigma: v.nullable(v.pipe(v.number(), v.gtValue(0))),
    /** the sheet that it was judged by: another one later makes it 'check again' */
    specRev: v.pipe(v.string(), v.maxLength(80)),
    shown: v.object({
      verdict: v.picklist(['in', 'out', 'doubtful']),
      headline: v.string(),
      meaning: v.string(),
      remedy: v.nullable(v.string()),
      asWritten: v.string(),
    }),
  }),
  key: (data) => `${data.code}/${data.place}`,
  admit: (state, { data, body }, { sheets, standing }) => {
    if (!bodyOf(state, body).ident)
      return refusal(
        'identify first',
        'Nothing can be set before it is identified: the values come from its sheet.',
      )
    return sheets &&
      !standing &&
      !sheets.spec.settings.some((setting) => setting.code === data.code && setting.place === data.place)
      ? refusal('setting', `${sheets.spec.listNumber} has no setting ${data.code} ${data.place}.`, 'code')
      : undefined
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { code, place, raw, value, gauge, specRev, shown } = entry.data
      const key = `${code}/${place}`
      const reading = {
        raw,
        value,
        gauge,
        verdict: shown.verdict,
        headline: shown.headline,
        asWritten: shown.asWritten,
        specRev,
        ...stamp(entry),
      }
      return {
        readings: {
          ...body.readings,
          [key]: sayAgain(
            body.readings[key],
            reading,
            (a, b) => a.verdict === b.verdict || a.value !== b.value,
          ),
        },
      }
    }),
  sentence: (data, name) => `read ${name(`${data.code}/${data.place}`)}: ${data.raw}, ${data.shown.verdict}`,
})
