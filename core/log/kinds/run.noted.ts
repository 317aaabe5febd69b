import * as v from 'valibot'
import { FreeWords } from '../entry.ts'
import { defineKind, stamp } from '../kind.ts'

/** What is read, seen or changed on the running engine, by whoever stands there. */
export type RunNote =
  /** a screw at so many turns out from seated, and the speed or vacuum that it gives */
  | { what: 'mixture'; screw: string; name: string; turns: number; reading: number; unit: 'rpm' | 'kPa' }
  /** where it stumbles, turns out from seated */
  | { what: 'stumble'; screw: string; name: string; turns: number }
  /** a part of the blip; `black` where smoke came with it */
  | { what: 'blip'; part: BlipPart; bad: boolean; black?: boolean | undefined }
  | { what: 'plug'; band: string; colour: 'white' | 'tan' | 'black' | 'wet' }
  /** one thing changed, which way the mixture goes by it, and what is expected of it */
  | {
      what: 'change'
      of: string
      way: 'richer' | 'leaner' | 'other'
      expects: string
      /** the throttle position that it works on, where somebody said */
      band?: RunBand | undefined
    }
  | { what: 'effect'; seen: 'better' | 'worse' | 'same' }
  /** a probe in the exhaust at a throttle position, steady: air over what burns it all */
  | { what: 'lambda'; band: RunBand; lambda: number }

export const blipParts = ['opening', 'release', 'after', 'overrun', 'steady'] as const
export type BlipPart = (typeof blipParts)[number]

/** Throttle positions at which plugs are read and changes work. */
export const runBands = ['idle', 'just off idle', 'middle', 'wide open'] as const
export type RunBand = (typeof runBands)[number]

export type RunEntry = RunNote & { words: string; by: string; at: string; entry: string }

declare module '../state.ts' {
  interface JobState {
    /** the run log, in order */
    run: readonly RunEntry[]
  }
}

const Turns = v.pipe(v.number(), v.minValue(0), v.maxValue(20))
const Name = v.pipe(v.string(), v.minLength(1), v.maxLength(80))

const note: v.GenericSchema<unknown, RunNote> = v.variant('what', [
  v.object({
    what: v.literal('mixture'),
    screw: Name,
    name: Name,
    turns: Turns,
    reading: v.pipe(v.number(), v.minValue(0), v.maxValue(20_000)),
    unit: v.picklist(['rpm', 'kPa']),
  }),
  v.object({ what: v.literal('stumble'), screw: Name, name: Name, turns: Turns }),
  v.object({
    what: v.literal('blip'),
    part: v.picklist(blipParts),
    bad: v.boolean(),
    black: v.optional(v.boolean()),
  }),
  v.object({ what: v.literal('plug'), band: Name, colour: v.picklist(['white', 'tan', 'black', 'wet']) }),
  v.object({
    what: v.literal('change'),
    of: Name,
    way: v.picklist(['richer', 'leaner', 'other']),
    expects: v.pipe(v.string(), v.maxLength(200)),
    band: v.optional(v.picklist(runBands)),
  }),
  v.object({ what: v.literal('effect'), seen: v.picklist(['better', 'worse', 'same']) }),
  v.object({
    what: v.literal('lambda'),
    band: v.picklist(runBands),
    lambda: v.pipe(v.number(), v.minValue(0.5), v.maxValue(2)),
  }),
])

const BLIP_WORDS: Readonly<Record<BlipPart, readonly [good: string, bad: string]>> = {
  opening: ['opens clean', 'stumbles on opening'],
  release: ['comes down at once', 'hangs after release'],
  after: ['holds after release', 'sags below idle after release'],
  overrun: ['quiet on deceleration', 'pops on deceleration'],
  steady: ['idles steadily', 'hunts at idle'],
}

/** An entry of the run log; it may come after the return, from the customer’s telephone. */
export const runNoted = defineKind({
  kind: 'run.noted',
  version: 2,
  // Before version 2 nobody entered what a probe reads; all else is as it was.
  upcasts: { 1: (data: object) => data },
  always: true,
  slice: { job: { run: [] } },
  schema: v.object({ note, words: FreeWords }),
  key: ({ note: { what } }) => what,
  apply: (state, entry) => ({
    ...state,
    run: [...state.run, { ...entry.data.note, words: entry.data.words, ...stamp(entry) }],
  }),
  sentence: ({ note: it, words }) => `${runWords(it)}${words ? `: ${words}` : ''}`,
})

/** One note of the run log in words. */
export function runWords(it: RunNote): string {
  switch (it.what) {
    case 'mixture':
      return `on the engine: ${it.name} at ${it.turns} out gives ${it.reading} ${it.unit}`
    case 'stumble':
      return `on the engine: ${it.name} stumbles at ${it.turns} out`
    case 'blip':
      return `on the engine: ${BLIP_WORDS[it.part][it.bad ? 1 : 0]}${it.black ? ', black smoke' : ''}`
    case 'plug':
      return `on the engine: plugs ${it.colour}, ${it.band}`
    case 'change':
      return `changed ${it.of}${it.band ? `, ${it.band}` : ''}${it.way === 'other' ? '' : `, ${it.way}`}${it.expects ? `, expecting ${it.expects}` : ''}`
    case 'effect':
      return `result: ${it.seen}`
    case 'lambda':
      return `on the engine: λ ${it.lambda.toFixed(2)}, ${it.band}`
  }
}
