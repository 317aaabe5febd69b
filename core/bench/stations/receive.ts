import type { Station } from './station.ts'

export const receive: Station = {
  name: 'receive',
  state: ({ state }) => (state.opened ? 'done' : 'none'),
  line: () => 'taken in',
  minutes: () => 0,
  canGoOn: () => false,
}
