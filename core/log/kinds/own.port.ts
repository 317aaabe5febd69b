import * as v from 'valibot'
import { portCodes, portName } from '../../unit/families/index.ts'
import { figure } from '../../measure/index.ts'
import { defineKind, stamp, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    /** ports that were seen on a taught unit, by code */
    ownPorts: Readonly<Record<string, { boreMm: number; absent: boolean; by: string; entry: string }>>
  }
}

/** A port that somebody saw on a taught unit, with the bore that a drill or caliper found; or that it has none after all. */
export const ownPort = defineKind({
  kind: 'own.port',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { ownPorts: {} } },
  schema: v.object({
    port: v.picklist(portCodes),
    boreMm: v.pipe(v.number(), v.gtValue(0, 'A port has a bore.'), v.maxValue(40, 'No port is so wide.')),
    absent: v.boolean(),
  }),
  key: ({ port }) => port,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { by, entry: id } = stamp(entry)
      const { port, boreMm, absent } = entry.data
      return { ownPorts: { ...body.ownPorts, [port]: { boreMm, absent, by, entry: id } } }
    }),
  sentence: ({ port, boreMm, absent }) =>
    absent
      ? `found no ${portName(port).toLowerCase()} on it`
      : `found ${portName(port).toLowerCase()}, ${figure(boreMm)} mm`,
})
