import * as v from 'valibot'
import { portName } from '../../unit/families/index.ts'
import { Code } from '../entry.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

/** How a port is: joined to something, capped, open; `sync` is open on purpose until it is synchronised on the engine. */
export type PortState = 'joined' | 'capped' | 'open' | 'sync'

export interface PortNote {
  state: PortState
  /** what it is joined to, or is to be joined to */
  to: string
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    /** each port as found and as left, the last word of each */
    ports: Readonly<Record<string, { found?: PortNote; left?: PortNote }>>
  }
}

/** A port as found, before anything is pulled off, or as left. */
export const portNoted = defineKind({
  kind: 'port.noted',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { ports: {} } },
  schema: v.object({
    port: Code,
    when: v.picklist(['found', 'left']),
    state: v.picklist(['joined', 'capped', 'open', 'sync']),
    to: v.pipe(v.string(), v.maxLength(80)),
  }),
  key: ({ port, when }) => `${port} ${when}`,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { port, when, state: how, to } = entry.data
      return {
        ports: {
          ...body.ports,
          [port]: { ...body.ports[port], [when]: { state: how, to: to.trim(), ...stamp(entry) } },
        },
      }
    }),
  sentence: ({ port, when, state, to }) =>
    `${portName(port)} ${when === 'found' ? 'found' : 'left'} ${portWords({ state, to })}`,
})

/** A port's state in words: `connected to the choke break`. */
export const portWords = ({ state, to }: { state: PortState; to: string }): string =>
  state === 'joined'
    ? `connected to ${to.trim()}`
    : state === 'sync'
      ? 'open until synchronized'
      : state === 'open'
        ? 'open'
        : 'capped'
