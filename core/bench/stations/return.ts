import type { Station } from './station.ts'

/** Minutes for the last look, the sheet and the parcel. */
export const RETURN_MINUTES = 10

export const returnStation: Station = {
  name: 'return',
  state: ({ state }) =>
    state.returned ? 'done' : Object.keys(state.passes).length > 0 || state.answer ? 'begun' : 'none',
  line(_view, openPoints) {
    const open = openPoints()
    return open ? `${open} ${open === 1 ? 'point' : 'points'} before it may go` : 'ready, sheet can be made'
  },
  minutes: () => 0,
  canGoOn: () => false,
}
