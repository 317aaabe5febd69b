import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** What is tried on a part that will not come, the gentlest first, and the minutes that it is given. */
export const stuckTries = [
  { code: 'penetrant', label: 'Penetrant', minutes: 30, words: 'penetrant, left to creep' },
  { code: 'warmth', label: 'Warm water', minutes: 10, words: 'warmth from hot water, no flame' },
  { code: 'driver', label: 'Squared driver', minutes: 0, words: 'a squared driver that fills the slot' },
  { code: 'tap', label: 'Light taps', minutes: 0, words: 'light taps along its axis' },
] as const
export type StuckTry = (typeof stuckTries)[number]['code']
/** After so many tries it is left alone: force breaks the casting. */
export const MOST_STUCK_TRIES = 4

declare module '../state.ts' {
  interface BodyState {
    /** tries on parts that would not come, by position */
    stuck: Readonly<
      Record<string, readonly { tried: StuckTry; minutes: number; by: string; at: string; entry: string }[]>
    >
  }
}

/** A part that would not come: what was tried, and for how many minutes it is left. */
export const partStuck = defineKind({
  kind: 'part.stuck',
  version: 1,
  station: 'teardown',
  ofBody: true,
  slice: { body: { stuck: {} } },
  schema: v.object({
    position: Code,
    tried: v.picklist(stuckTries.map(({ code }) => code)),
    minutes: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(7 * 24 * 60)),
  }),
  key: ({ position }) => position,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      stuck: {
        ...body.stuck,
        [entry.data.position]: [
          ...(body.stuck[entry.data.position] ?? []),
          { tried: entry.data.tried, minutes: entry.data.minutes, ...stamp(entry) },
        ],
      },
    })),
  sentence: ({ position, tried, minutes }, name) =>
    `${name(position)} is stuck: ${stuckTries.find(({ code }) => code === tried)!.words}${minutes ? `, ${minutes} min` : ''}`,
})
