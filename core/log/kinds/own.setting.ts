import * as v from 'valibot'
import { places, sources } from '../../sheets/index.ts'
import { Amount, Code } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

/** One value of a setting with where it comes from; several stand side by side. */
export interface OwnSource {
  asWritten: string
  target: number
  lo: number | null
  hi: number | null
  source: (typeof sources)[number]
  /** what it rests on, in words; a page of a book, how many relatives */
  ground: string
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    ownSources: Readonly<Record<string, readonly OwnSource[]>>
    /** which source of a setting holds, where somebody decided, and why */
    ownPicks: Readonly<Record<string, { source: string; why: string; by: string }>>
  }
}

export const ownSetting = defineKind({
  kind: 'own.setting',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { ownSources: {} } },
  schema: v.pipe(
    v.object({
      code: Code,
      place: v.picklist(places),
      asWritten: v.pipe(v.string(), v.trim(), v.minLength(1, 'Nothing was typed.'), v.maxLength(60)),
      target: Amount,
      lo: v.nullable(Amount),
      hi: v.nullable(Amount),
      source: v.picklist(sources),
      ground: v.pipe(v.string(), v.trim(), v.maxLength(300)),
    }),
    v.check(
      ({ target, lo, hi }) => (lo === null || lo <= target) && (hi === null || target <= hi),
      'The value is outside its own limits.',
    ),
    v.check(({ source }) => source !== 'none yet', 'Say where the value comes from.'),
  ),
  key: (data) => `${data.code}/${data.place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { code, place, ...data } = entry.data
      const key = `${code}/${place}`
      return {
        ownSources: {
          ...body.ownSources,
          [key]: [...(body.ownSources[key] ?? []), { ...data, by: entry.by, at: entry.at, entry: entry.id }],
        },
      }
    }),
  sentence: (data, name) =>
    `wrote ${name(`${data.code}/${data.place}`)}: ${data.asWritten}, ${data.source}${data.ground ? ` (${data.ground})` : ''}`,
})
