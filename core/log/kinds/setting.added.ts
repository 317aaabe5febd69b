import * as v from 'valibot'
import { places, sources } from '../../sheets/index.ts'
import { Amount, Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** A setting that this unit has and its sheet does not, with what its kind brings: where it is read from, what carries it, what moves it. */
export interface AddedSetting {
  code: string
  place: (typeof places)[number]
  name: string
  quantity: 'length' | 'gap' | 'turns' | 'notches' | 'count'
  unit: 'mm' | 'in'
  asWritten: string
  target: number
  lo: number | null
  hi: number | null
  datum: string
  hold: string
  held: 'upright' | 'inverted' | 'side'
  /** positions that carry it: it is read while they are on */
  on: string[]
  /** positions that must be off */
  off: string[]
  /** what makes it larger, and smaller, as a try showed; empty where nobody tried */
  more: string
  less: string
  source: (typeof sources)[number]
  ground: string
  absent: boolean
}

declare module '../state.ts' {
  interface BodyState {
    /** by key: code and place */
    addedSettings: Readonly<Record<string, AddedSetting & { by: string; entry: string }>>
  }
}

const Words = v.pipe(v.string(), v.trim(), v.maxLength(200))

export const settingAdded = defineKind({
  kind: 'setting.added',
  version: 1,
  station: 'set',
  ofBody: true,
  slice: { body: { addedSettings: {} } },
  schema: v.pipe(
    v.object({
      code: Code,
      place: v.picklist(places),
      name: v.pipe(v.string(), v.trim(), v.minLength(1, 'Enter the setting’s name.'), v.maxLength(60)),
      quantity: v.picklist(['length', 'gap', 'turns', 'notches', 'count']),
      unit: v.picklist(['mm', 'in']),
      asWritten: v.pipe(v.string(), v.trim(), v.minLength(1, 'Type what it should be.'), v.maxLength(60)),
      target: Amount,
      lo: v.nullable(Amount),
      hi: v.nullable(Amount),
      datum: v.pipe(v.string(), v.trim(), v.minLength(1, 'Say where it is read from.'), v.maxLength(200)),
      hold: Words,
      held: v.picklist(['upright', 'inverted', 'side']),
      on: v.pipe(v.array(Code), v.maxLength(8)),
      off: v.pipe(v.array(Code), v.maxLength(8)),
      more: Words,
      less: Words,
      source: v.picklist(sources),
      ground: Words,
      absent: v.boolean(),
    }),
    v.check(
      ({ target, lo, hi }) => (lo === null || lo <= target) && (hi === null || target <= hi),
      'The value is outside its own limits.',
    ),
    v.check(({ source }) => source !== 'none yet', 'Say where the value comes from.'),
    v.check(({ on, off }) => !on.some((code) => off.includes(code)), 'A part cannot be on and off at once.'),
  ),
  key: (data) => `${data.code}/${data.place}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { by, entry: id } = stamp(entry)
      const key = `${entry.data.code}/${entry.data.place}`
      return { addedSettings: { ...body.addedSettings, [key]: { ...entry.data, by, entry: id } } }
    }),
  sentence: ({ name, asWritten, source, absent }) =>
    absent
      ? `took ${name.toLowerCase()} off its sheet`
      : `added ${name.toLowerCase()} to its sheet: ${asWritten}, ${source}`,
})
