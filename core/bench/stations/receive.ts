import type { Station } from './station.ts'

export const receive: Station = {
  name: 'receive',
  title: 'Receive',
  number: 1,
  kinds: ['job.opened', 'job.scoped', 'test.noted', 'estimate.made', 'estimate.agreed'],
  doing: 'take it in',
  state: ({ state }) => (state.opened ? 'done' : 'none'),
  line: () => 'taken in',
  minutes: () => 0,
  canGoOn: () => false,
}
