import type { Station } from './station.ts'

/** Minutes for the last look, the sheet and the parcel. */
export const RETURN_MINUTES = 10

/** What a job says of itself that only waits to be fetched. */
export const READY = 'ready to release'

export const returnStation: Station = {
  name: 'return',
  state: ({ state }) =>
    state.returned ? 'done' : Object.keys(state.passes).length > 0 || state.answer ? 'begun' : 'none',
  line(_view, openPoints) {
    const open = openPoints()
    return open ? `${open} ${open === 1 ? 'item' : 'items'} open before release` : READY
  },
  minutes: () => 0,
  canGoOn: () => false,
}
