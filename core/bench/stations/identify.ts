import type { Station } from './station.ts'

/** The shop's own rule of thumb, minutes; planning will learn them from the logs. */
const MINUTES = 12
const REST_OF_AN_UNKNOWN_ONE = 120

export const identify: Station = {
  name: 'identify',
  state: ({ here }) =>
    here.ident
      ? 'done'
      : Object.keys(here.marks).length + Object.keys(here.features).length > 0
        ? 'begun'
        : 'none',
  line: ({ here }) => (here.taught ? 'being taught' : 'identified'),
  minutes: ({ sheets }) => (sheets ? 0 : MINUTES + REST_OF_AN_UNKNOWN_ONE),
  canGoOn: ({ sheets }) => !sheets,
}
