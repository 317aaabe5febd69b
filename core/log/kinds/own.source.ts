import * as v from 'valibot'
import { places } from '../../sheets/index.ts'
import { Code, SomeWords } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

/** Which of several sources of a setting holds: an entry's id, or 'as found'. */
export const ownSource = defineKind({
  kind: 'own.source',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { ownPicks: {} } },
  schema: v.object({
    code: Code,
    place: v.picklist(places),
    source: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
    why: SomeWords,
  }),
  key: (data) => `${data.code}/${data.place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { code, place, source, why } = entry.data
      return { ownPicks: { ...body.ownPicks, [`${code}/${place}`]: { source, why, by: entry.by } } }
    }),
  sentence: (data, name) => `decided the value of ${name(`${data.code}/${data.place}`)}: ${data.why}`,
})
